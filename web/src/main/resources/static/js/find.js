// Find: elements from the server, actions from the list of keys.
const desk = document.getElementById("desk"), dialog = document.getElementById("find"), field = document.getElementById("find-text");
const actions = document.getElementById("actions"), found = () => document.getElementById("found");
let waiting = 0;
const doable = [...document.querySelectorAll("#keys [data-action]")].map(row => ({ text: row.textContent, what: row.dataset.action, key: row.previousElementSibling.textContent }));
function look() {
  const wanted = field.value.trim().toLowerCase();
  actions.replaceChildren(...doable.filter(one => wanted && one.text.toLowerCase().includes(wanted)).slice(0, 6).map(one => {
    const button = document.createElement("button"), key = document.createElement("small");
    button.type = "button";
    button.className = "found";
    button.dataset.run = one.what;
    key.textContent = one.key;
    button.append(one.text, key);
    return button;
  }));
  clearTimeout(waiting);
  waiting = setTimeout(async () => {
    const answer = await fetch(`/designs/${desk.dataset.design}/find?q=${encodeURIComponent(field.value)}`);
    if (!answer.ok) return;
    const holder = document.createElement("template");
    holder.innerHTML = await answer.text();
    found().replaceWith(holder.content.querySelector("#found"));
  }, 80);
}
field.addEventListener("input", look);
const all = () => [...dialog.querySelectorAll("button.found")];
dialog.addEventListener("keydown", event => {
  const buttons = all(), at = buttons.indexOf(document.activeElement);
  if (event.key === "ArrowDown" || event.key === "ArrowUp") {
    const next = event.key === "ArrowDown" ? at + 1 : at - 1;
    if (next < 0) field.focus(); else buttons[Math.min(next, buttons.length - 1)]?.focus();
    event.preventDefault();
  } else if (event.key === "Enter" && document.activeElement === field) {
    event.preventDefault();
    // what was typed may be faster than the answer
    setTimeout(() => all()[0]?.click(), waiting ? 260 : 0);
  }
});
dialog.addEventListener("click", event => {
  const button = event.target.closest("button.found");
  if (!button) return;
  dialog.close();
  if (button.dataset.run) document.dispatchEvent(new CustomEvent("entaxis:act", { detail: button.dataset.run }));
});
/** Opens it with an empty field. */
export function openFind() {
  field.value = "";
  look();
  dialog.showModal();
  field.focus();
}
