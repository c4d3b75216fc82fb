// Puts the cursor to the place that a fault names, and marks the word there. Ctrl+Enter sends the text.
const goTo = (text, line, column) => {
  let start = 0;
  for (let at = 1; at < line; at++) start = text.value.indexOf('\n', start) + 1;
  start += column - 1;
  const word = /^[^\s,;()]*/.exec(text.value.slice(start))[0];
  text.focus();
  text.setSelectionRange(start, start + Math.max(1, word.length));
  text.scrollTop = Math.max(0, (line - 4) * parseFloat(getComputedStyle(text).lineHeight));
};
document.addEventListener('click', event => {
  const place = event.target.closest('#text-faults [data-line]');
  if (place) goTo(document.getElementById('typed-text'), Number(place.dataset.line), Number(place.dataset.column));
});
document.addEventListener('keydown', event => {
  if (event.target.id === 'typed-text' && event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    event.target.form.requestSubmit();
  }
});
document.addEventListener('htmx:afterSettle', () => {
  const first = document.querySelector('#text-faults [data-line]');
  const text = document.getElementById('typed-text');
  if (first) first.click(); else if (text && document.activeElement === document.body) text.focus();
});
