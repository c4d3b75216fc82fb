// The Normalize desk: choosing another entity, drawing a dependency by clicks, and printing.
import "./completing.js";
import "./rows.js";
import "./together.js";

document.getElementById("entity-choice")?.addEventListener("change", event => { location.href = `${event.target.dataset.address}?sel=${event.target.value}`; });

const ticked = kind => [...document.querySelectorAll(`.${kind}:checked`)].map(box => box.dataset.name);
document.addEventListener("htmx:configRequest", event => {
  const source = event.detail.elt, parameters = event.detail.parameters;
  for (const name of ["line", "answer", "columns"]) if (source.dataset[name] !== undefined) parameters[name] = source.dataset[name];
  if (source.id === "draw") {
    parameters.answer = "accept";
    parameters.line = `${ticked("decides").join(", ")} -> ${ticked("decided").join(", ")}`;
  }
});
// A click on an attribute says that it decides; another one, that it is decided; a third, neither.
document.addEventListener("click", event => {
  if (event.target.closest("[data-print]")) print();
  const box = event.target.closest("[data-attribute]");
  if (!box) return;
  const left = document.getElementById(`decides-${box.dataset.attribute}`), right = document.getElementById(`decided-${box.dataset.attribute}`);
  document.getElementById("draw-open").open = true;
  if (left.checked) { left.checked = false; right.checked = true; } else if (right.checked) right.checked = false; else left.checked = true;
});
// What the server keeps after an accepted suggestion comes into the text, unless more was typed meanwhile.
document.addEventListener("htmx:oobAfterSwap", event => {
  const lines = document.getElementById("lines");
  if (event.target.id === "kept-lines" && lines && document.activeElement !== lines) lines.value = event.target.textContent;
});
