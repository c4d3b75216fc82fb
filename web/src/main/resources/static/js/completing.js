// What can come next in a line that is being typed: the server says, arrow keys choose, Enter or Tab takes it.
const desk = document.getElementById("desk");
let waiting = 0, asked = 0, field = null;
const completes = target => target && target.matches && target.matches("#add-line, #resolve-attributes, #type-new, [data-completes]");
const list = () => document.getElementById("completions");
const options = () => list() ? [...list().querySelectorAll("button")] : [];
const active = () => options().findIndex(option => option.getAttribute("aria-selected") === "true");
function close() {
  clearTimeout(waiting);
  asked++;
  list()?.remove();
  field?.removeAttribute("aria-activedescendant");
}
function mark(at) {
  options().forEach((option, i) => option.setAttribute("aria-selected", String(i === at)));
  if (at >= 0) field.setAttribute("aria-activedescendant", options()[at].id); else field.removeAttribute("aria-activedescendant");
}
function take(option) {
  const from = Number(list().dataset.from), text = option.textContent;
  close();
  field.setRangeText(text, from, field.selectionEnd, "end");
  field.focus();
}
async function ask() {
  const mine = ++asked, asking = field;
  if (document.activeElement !== asking) return;
  const body = new URLSearchParams({ text: asking.value.slice(0, asking.selectionEnd), sel: desk.dataset.selected || "" });
  const answer = await fetch(asking.dataset.completes || `/designs/${desk.dataset.design}/completions`, { method: "POST", body, headers: JSON.parse(desk.getAttribute("hx-headers")) });
  if (!answer.ok || mine !== asked || document.activeElement !== asking) return;
  const holder = document.createElement("template");
  holder.innerHTML = await answer.text();
  if (mine !== asked) return;
  list()?.remove();
  const found = holder.content.querySelector("#completions");
  if (!found.firstElementChild) return;
  const at = asking.getBoundingClientRect();
  found.style.left = at.left + "px";
  found.style.bottom = innerHeight - at.top + 2 + "px";
  document.body.appendChild(found);
}
document.addEventListener("input", event => {
  if (!completes(event.target)) return;
  field = event.target;
  clearTimeout(waiting);
  waiting = setTimeout(ask, 90);
});
document.addEventListener("keydown", event => {
  if (event.target !== field || !options().length) return;
  if (event.key === "ArrowDown" || event.key === "ArrowUp") {
    mark(Math.max(-1, Math.min(options().length - 1, active() + (event.key === "ArrowDown" ? 1 : -1))));
    event.preventDefault();
    event.stopPropagation();
  } else if ((event.key === "Enter" || event.key === "Tab") && active() >= 0) {
    take(options()[active()]);
    event.preventDefault();
    event.stopPropagation();
  } else if (event.key === "Escape") {
    close();
    event.preventDefault();
    event.stopPropagation();
  } else if (event.key === "Enter" || event.key === "Tab") {
    close();
  }
}, true);
document.addEventListener("mousedown", event => {
  const option = event.target.closest("#completions button");
  if (option) { event.preventDefault(); take(option); }
});
document.addEventListener("focusout", event => { if (event.target === field) close(); });
