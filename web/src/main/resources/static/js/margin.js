// The margin: findings beside the sheet, asked for again when the design has moved on; closed, it only counts.
import * as drawing from "./sheet.js";

const desk = document.getElementById("desk"), margin = document.getElementById("margin");
let timer = 0, level = "";

const notes = () => [...margin.querySelectorAll(".note")];
function ask() {
  clearTimeout(timer);   // one that is due would take the keys away from the note that they are on
  const query = new URLSearchParams({ sheet: desk.dataset.sheet || "", level, brief: String(margin.hidden) });
  // out of the queue of edits and looks: those must not wait for a review
  return htmx.ajax("GET", `/designs/${desk.dataset.design}/margin?${query}`, { source: document.getElementById("margin-asks"), target: "#margin-notes", swap: margin.hidden ? "none" : "morph:innerHTML" })
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
  const whole = drawing.wholeSeen();
  margin.hidden = !open;
  if (whole && !drawing.wholeSeen()) drawing.fit();
  localStorage.setItem("entaxis.margin", open ? "open" : "closed");
  if (!open) document.querySelectorAll("#contents .entry[data-mark]").forEach(entry => delete entry.dataset.mark);
}
// Opens the margin and goes to its first note; closes it when the keys are in it or it is open.
export function toggle() {
  const open = margin.hidden;
  show(open);
  if (open) ask().then(() => notes()[0]?.focus()); else document.getElementById("sheet").focus();
}

margin.addEventListener("keydown", event => {
  const note = event.target.closest(".note"), all = notes(), step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (event.key === "Escape") { document.getElementById("sheet").focus(); event.stopPropagation(); return; }
  if (!note || event.target !== note) return;
  if (step) { all[all.indexOf(note) + step]?.focus(); event.preventDefault(); event.stopPropagation(); }
  if (event.key === "l" || event.key === "L") { const live = note.querySelector(".live-with"); live.open = true; live.querySelector("input").focus(); event.preventDefault(); event.stopPropagation(); }
  if (event.key === "Enter") { (note.querySelector(".remedy") || note.querySelector("[data-select]"))?.click(); event.preventDefault(); event.stopPropagation(); }
});
// The note under the pointer or the keys is joined to its card by a hairline, which follows while the sheet moves.
const line = document.getElementById("hairline");
let joined = null, frame = 0;
function follow() {
  const card = joined && joined.isConnected && (document.getElementById(`c-${joined.dataset.about}`) || document.getElementById(`l-${joined.dataset.about}`));
  const view = document.getElementById("sheet").getBoundingClientRect(), box = card?.getBoundingClientRect(), note = joined?.getBoundingClientRect(), side = margin.getBoundingClientRect();
  const seen = box && box.width > 0 && box.right > view.left && box.left < view.right && box.bottom > view.top && box.top < view.bottom && note.bottom > side.top && note.top < side.bottom;
  line.toggleAttribute("hidden", !seen);
  if (seen) {
    const y = Math.min(Math.max(note.top + 14, side.top), side.bottom), path = `M${note.left} ${y} L${Math.max(box.right, view.left)} ${Math.min(Math.max(box.top + box.height / 2, view.top), view.bottom)}`;
    if (line.firstElementChild.getAttribute("d") !== path) line.firstElementChild.setAttribute("d", path);
  }
  frame = joined ? requestAnimationFrame(follow) : 0;
}
function join(note) {
  joined = note && note.dataset.about ? note : null;
  if (joined && !frame) frame = requestAnimationFrame(follow);
  if (!joined) line.toggleAttribute("hidden", true);
}
margin.addEventListener("pointerover", event => join(event.target.closest(".note")));
margin.addEventListener("pointerleave", () => join(document.activeElement.closest?.("#margin .note")));
margin.addEventListener("focusin", event => join(event.target.closest(".note")));
margin.addEventListener("focusout", () => join(null));

// The ledger tells what is found about what it shows; its rows carry the sign, and a sentence leads to its note. After an edit the notes stay until newer ones are there.
let noted = "", later = 0;
const clear = () => {
  document.getElementById("ledger-notes")?.remove();
  document.querySelectorAll("#ledger tr[data-mark]").forEach(row => { delete row.dataset.mark; row.removeAttribute("title"); });
};
async function ledger() {
  const head = document.querySelector("#about-entity .ledger-head, #about-relationship .ledger-head"), selected = desk.dataset.selected;
  if (!head || !/^[er]\w+$/.test(selected || "")) { noted = ""; clear(); return; }
  noted = selected;
  const answer = await fetch(`/designs/${desk.dataset.design}/findings/about?sel=${selected}`);
  if (!answer.ok || !head.isConnected || desk.dataset.selected !== selected) return;
  const found = new DOMParser().parseFromString(await answer.text(), "text/html").getElementById("ledger-notes");
  clear();
  if (!found || !found.children.length) return;
  head.after(document.adoptNode(found));
  document.querySelectorAll("#ledger-notes li[data-attribute]").forEach(note => {
    const row = note.dataset.attribute && document.getElementById(`row-${note.dataset.attribute}`);
    if (row && !row.dataset.mark) { row.dataset.mark = note.dataset.level; row.title = note.textContent.trim(); }
  });
}
// At once when something else is selected; after an edit when nobody edits for a moment, as the next edit must not wait for a review.
function ledgerSoon() {
  clearTimeout(later);
  if (desk.dataset.selected === noted) { later = setTimeout(ledger, 250); return; }
  clear();
  ledger();
}
document.addEventListener("DOMContentLoaded", () => {
  const callbacks = Idiomorph.defaults.callbacks, update = callbacks.beforeAttributeUpdated, remains = () => desk.dataset.selected === noted;
  callbacks.beforeNodeRemoved = node => !(node.id === "ledger-notes" && remains());
  callbacks.beforeAttributeUpdated = (name, node, kind) => !(node.tagName === "TR" && (name === "data-mark" || name === "title") && remains()) && update(name, node, kind);
});
document.addEventListener("click", event => {
  const button = event.target.closest("#ledger-notes [data-note]");
  if (!button) return;
  show(true);
  ask().then(() => document.getElementById(`note-${button.dataset.note}`)?.focus());
});
document.addEventListener("htmx:afterSettle", event => { if (event.detail.target.id === "ledger") ledgerSoon(); });
document.addEventListener("DOMContentLoaded", ledger);

margin.addEventListener("change", event => { if (event.target.id === "margin-level") { level = event.target.value; ask(); } });
document.addEventListener("htmx:oobAfterSwap", event => { if (event.detail.target.id === "keeping" || event.detail.target.id === "contents") soon(); });
document.addEventListener("htmx:afterSwap", event => { if (event.detail.target.id === "margin-notes") marks(); });
document.addEventListener("DOMContentLoaded", () => {
  show(localStorage.getItem("entaxis.margin") === "open" || location.hash === "#findings");
  soon();
});
