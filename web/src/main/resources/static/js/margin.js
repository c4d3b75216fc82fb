// The margin: findings beside the sheet, asked for again when the design has moved on; closed, it only counts.
window.entaxisMargin = (function () {
  "use strict";
  const desk = document.getElementById("desk"), margin = document.getElementById("margin"), button = document.getElementById("findings-button");
  let timer = 0, level = "";

  const notes = () => [...margin.querySelectorAll(".note")];
  function ask() {
    const query = new URLSearchParams({ sheet: desk.dataset.sheet || "", level, brief: String(margin.hidden) });
    return htmx.ajax("GET", `/designs/${desk.dataset.design}/margin?${query}`, { source: margin, target: "#margin-notes", swap: margin.hidden ? "none" : "morph:innerHTML" })
      .catch(() => {});
  }
  const soon = () => { clearTimeout(timer); timer = setTimeout(ask, 250); };

  // small marks in the contents, by the gravest note that is about an entity
  function marks() {
    const gravest = new Map();
    notes().forEach(note => { if (note.dataset.about && !gravest.has(note.dataset.about) && note.dataset.level !== "hint") gravest.set(note.dataset.about, note.dataset.level); });
    document.querySelectorAll("#contents .entry").forEach(entry => {
      const mark = gravest.get(entry.dataset.select);
      if (mark) entry.dataset.mark = mark; else delete entry.dataset.mark;
    });
  }

  function show(open) {
    const drawing = window.entaxisSheet, whole = drawing.wholeSeen();
    margin.hidden = !open;
    if (whole && !drawing.wholeSeen()) drawing.fit();
    button.setAttribute("aria-expanded", String(open));
    localStorage.setItem("entaxis.margin", open ? "open" : "closed");
    if (!open) document.querySelectorAll("#contents .entry[data-mark]").forEach(entry => delete entry.dataset.mark);
  }
  // Opens the margin and goes to its first note; closes it when the keys are in it or it is open.
  function toggle() {
    const open = margin.hidden;
    show(open);
    if (open) ask().then(() => notes()[0]?.focus()); else document.getElementById("sheet").focus();
  }

  margin.addEventListener("keydown", event => {
    const note = event.target.closest(".note"), all = notes(), step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (event.key === "Escape") { document.getElementById("sheet").focus(); event.stopPropagation(); return; }
    if (!note || event.target !== note) return;
    if (step) { all[all.indexOf(note) + step]?.focus(); event.preventDefault(); event.stopPropagation(); }
    if (event.key === "Enter") { (note.querySelector(".remedy") || note.querySelector("[data-select]"))?.click(); event.preventDefault(); event.stopPropagation(); }
  });
  margin.addEventListener("change", event => { if (event.target.id === "margin-level") { level = event.target.value; ask(); } });
  document.addEventListener("htmx:oobAfterSwap", event => { if (event.detail.target.id === "keeping" || event.detail.target.id === "contents") soon(); });
  document.addEventListener("htmx:afterSwap", event => { if (event.detail.target.id === "margin-notes") marks(); });
  document.addEventListener("DOMContentLoaded", () => {
    show(localStorage.getItem("entaxis.margin") === "open");
    soon();
  });
  return { toggle };
})();
