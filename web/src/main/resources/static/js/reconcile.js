// Moves between differences by arrow keys and answers the one that has the focus: 1, 2 or 3, as the answers stand.
(() => {
  const rows = () => [...document.querySelectorAll('.difference')];
  document.addEventListener('keydown', event => {
    const row = event.target.closest && event.target.closest('.difference');
    const typing = event.target.matches('input:not([type=radio]):not([type=checkbox]), textarea, select');
    if (!row || typing || event.ctrlKey || event.metaKey || event.altKey) return;
    const onRow = event.target === row;
    if (onRow && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      const all = rows();
      const next = all[all.indexOf(row) + (event.key === 'ArrowDown' ? 1 : -1)];
      if (next) { next.focus(); next.scrollIntoView({ block: 'nearest' }); }
      event.preventDefault();
    } else if (['1', '2', '3'].includes(event.key)) {
      const answer = row.querySelectorAll('.answers input')[Number(event.key) - 1];
      if (answer && !answer.checked) answer.click();
      event.preventDefault();
    }
  });
})();
