// Rows that are corrected cell by cell: up and down go to the same column of the next row.
document.addEventListener("keydown", event => {
  const cell = event.target.closest?.(".rows-grid td > input"), step = { ArrowDown: 1, ArrowUp: -1, Enter: 1 }[event.key];
  if (!cell || !step) return;
  const rows = [...document.querySelectorAll(".rows-grid tbody > tr:first-child")], row = cell.closest("tr"), next = rows[rows.indexOf(row) + step];
  const column = [...row.querySelectorAll("td > input")].indexOf(cell);
  event.preventDefault();
  next?.querySelectorAll("td > input")[column]?.focus();
});
