// The list of findings: grouping and filtering as one types; arrows go from note to note, Enter carries out the first remedy, L lives with it.
import "./together.js";

const desk = document.getElementById("desk"), options = document.getElementById("options"), list = document.getElementById("finding-list");
let soon = 0;
async function again() {
  const address = "?" + new URLSearchParams(new FormData(options)), answer = await fetch(location.pathname + address);
  if (!answer.ok) return;
  const page = new DOMParser().parseFromString(await answer.text(), "text/html");
  list.replaceChildren(...document.adoptNode(page.getElementById("finding-list")).childNodes);
  htmx.process(list);
  history.replaceState(null, "", address);
}
options.addEventListener("input", event => { clearTimeout(soon); soon = setTimeout(again, event.target.type === "search" ? 200 : 0); });
options.addEventListener("submit", event => { event.preventDefault(); again(); });
list.addEventListener("click", event => {
  const element = event.target.closest("[data-select]");
  if (element) location.href = `/designs/${desk.dataset.design}?sel=${element.dataset.select}`;
});
list.addEventListener("keydown", event => {
  const note = event.target.closest(".note"), all = [...list.querySelectorAll(".note")], step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (!note || event.target !== note) return;
  if (step) { all[all.indexOf(note) + step]?.focus(); event.preventDefault(); }
  if (event.key === "Enter") { (note.querySelector(".remedy") || note.querySelector("[data-select]"))?.click(); event.preventDefault(); }
  if (event.key === "l") { const live = note.querySelector(".live-with"); live.open = true; live.querySelector("input").focus(); event.preventDefault(); }
});
