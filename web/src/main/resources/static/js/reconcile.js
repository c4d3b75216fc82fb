// Up and Down go from difference to difference; 1, 2 and 3 give the answers as they stand. Left and Right choose among them, as in any group of choices.
import "./together.js";

const enter = row => {
  const answer = row.querySelector('.answers input:checked') || row.querySelector('.answers input');
  answer.focus();
  row.scrollIntoView({ block: 'nearest' });
};
document.addEventListener('keydown', event => {
  const row = event.target.closest && event.target.closest('.difference');
  if (!row || !event.target.matches('.answers input') || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const all = [...document.querySelectorAll('.difference')];
    const next = all[all.indexOf(row) + (event.key === 'ArrowDown' ? 1 : -1)];
    if (next) enter(next);
    event.preventDefault();
  } else if (['1', '2', '3'].includes(event.key)) {
    const answer = row.querySelectorAll('.answers input')[Number(event.key) - 1];
    answer.focus();
    if (!answer.checked) answer.click();
    event.preventDefault();
  }
});
