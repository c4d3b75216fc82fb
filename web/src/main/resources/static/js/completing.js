// What can come next in the line that is being typed: the server says, arrow keys choose, Enter or Tab takes it.
(function () {
  "use strict";
  const desk = document.getElementById("desk");
  let waiting = 0, asked = 0;
  const line = () => document.getElementById("add-line"), list = () => document.getElementById("completions");
  const options = () => [...list().querySelectorAll("button")];
  const active = () => options().findIndex(option => option.getAttribute("aria-selected") === "true");
  function close() {
    clearTimeout(waiting);
    asked++;
    list()?.replaceChildren();
    line()?.removeAttribute("aria-activedescendant");
  }
  function mark(at) {
    options().forEach((option, i) => option.setAttribute("aria-selected", String(i === at)));
    if (at >= 0) line().setAttribute("aria-activedescendant", options()[at].id); else line().removeAttribute("aria-activedescendant");
  }
  function take(option) {
    const field = line(), end = field.selectionEnd;
    field.setRangeText(option.textContent, Number(list().dataset.from), end, "end");
    close();
    field.focus();
  }
  async function ask() {
    const field = line(), mine = ++asked;
    if (!field || document.activeElement !== field) return;
    const body = new URLSearchParams({ text: field.value.slice(0, field.selectionEnd) });
    const answer = await fetch(`/designs/${desk.dataset.design}/completions`, { method: "POST", body, headers: JSON.parse(desk.getAttribute("hx-headers")) });
    if (!answer.ok || mine !== asked || document.activeElement !== line()) return;
    const holder = document.createElement("template");
    holder.innerHTML = await answer.text();
    if (mine === asked) list().replaceWith(holder.content.querySelector("#completions"));
  }
  document.addEventListener("input", event => {
    if (event.target.id !== "add-line") return;
    clearTimeout(waiting);
    waiting = setTimeout(ask, 90);
  });
  document.addEventListener("keydown", event => {
    if (event.target.id !== "add-line" || !options().length) return;
    if (event.key === "ArrowDown" || event.key === "ArrowUp") {
      mark(Math.max(-1, Math.min(options().length - 1, active() + (event.key === "ArrowDown" ? 1 : -1))));
      event.preventDefault();
    } else if ((event.key === "Enter" || event.key === "Tab") && active() >= 0) {
      take(options()[active()]);
      event.preventDefault();
      event.stopPropagation();
    } else if (event.key === "Escape") {
      close();
      event.preventDefault();
      event.stopPropagation();
    } else if (event.key === "Enter") {
      close();
    }
  }, true);
  document.addEventListener("mousedown", event => {
    const option = event.target.closest("#completions button");
    if (option) { event.preventDefault(); take(option); }
  });
  document.addEventListener("focusout", event => { if (event.target.id === "add-line") close(); });
})();
