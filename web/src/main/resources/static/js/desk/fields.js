// Keys in fields of the ledger and the contents.
import { addLines } from "./attribute-lines.js";
import { desk, post, sheet } from "./page.js";
import { focusNext, stopRelating } from "./selection.js";

export function inField(event, field) {
  if (field.dataset.counts && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
    const usual = [...document.querySelectorAll("#counts option[data-usual]")].map(option => option.value), at = usual.indexOf(field.value);
    field.value = usual[(at + (event.key === "ArrowDown" ? 1 : usual.length - 1) + (at < 0 && event.key === "ArrowUp" ? 1 : 0)) % usual.length];
    event.preventDefault();
    field.dispatchEvent(new Event("change", { bubbles: true }));
    return;
  }
  if (field.id === "filter" && event.key === "ArrowDown") { document.querySelector("#contents li:not([hidden]) .entry")?.focus(); event.preventDefault(); return; }

  const row = field.closest("tr[data-part]");
  if (event.key === "Escape") {
    if (field.id === "namer-name") return;
    stopRelating();
    if (field.tagName !== "SELECT") { field.value = field.defaultValue; delete field.dataset.refused; document.getElementById(field.id + "-fault")?.replaceChildren(); }
    sheet.focus();
  } else if (field.id === "add-line" && event.key === "Enter" && !event.shiftKey) {
    event.preventDefault();
    addLines(field);
  } else if (row && event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
    event.preventDefault();
    post("/edits", { kind: "attribute.move", owner: desk.dataset.selected, part: row.dataset.part, by: event.key === "ArrowUp" ? -1 : 1 });
  } else if (row && event.ctrlKey && event.key === "Delete") {
    event.preventDefault();
    if (!row.classList.contains("foreign")) {
      focusNext("add-line");
      post("/edits", { kind: "attribute.remove", owner: desk.dataset.selected, attribute: row.dataset.part });
    }
  } else if (row && field.tagName === "INPUT" && (event.key === "Enter" || !event.altKey && (event.key === "ArrowDown" || event.key === "ArrowUp") && !field.list)) {
    const cell = field.closest("td").cellIndex, rows = [...row.parentElement.rows];
    const next = rows[rows.indexOf(row) + (event.key === "ArrowUp" ? -1 : 1)];
    const target = next ? next.cells[Math.min(cell, next.cells.length - 1)].querySelector("input, select") : event.key === "ArrowUp" ? null : document.getElementById("add-line");
    if (target) setTimeout(() => target.focus());
  }
}
