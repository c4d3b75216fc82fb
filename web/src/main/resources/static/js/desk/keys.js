// Keys: one letter for each action, arrows on the sheet and in the contents, and what a key means in a field.
import { openFind } from "../find.js";
import * as drawing from "../sheet.js";
import { act } from "./actions.js";
import { copy, paste } from "./copying.js";
import { inField } from "./fields.js";
import { height, size } from "./ledger-height.js";
import { nudge } from "./moving.js";
import { sheet } from "./page.js";
import { isRelating, select, stopRelating } from "./selection.js";

const KEYS = { f: "findings", x: "picture", i: "snap", m: "resolve", d: "duplicate", p: "pin", h: "hide", b: "neighbours", s: "connected", w: "note", e: "entity", r: "relate", g: "arrange", 0: "fit", "+": "closer", "=": "closer", "-": "farther", t: "turn", n: "rename", l: "lens", a: "add", "?": "keys", c: "contents", Delete: "delete" };
const ARROWS = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };
document.addEventListener("keydown", event => {
  const field = event.target.closest("input, textarea, select");
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  if ((event.ctrlKey || event.metaKey) && key === "z") {
    const typing = field && field.tagName !== "SELECT" && field.value !== field.defaultValue;
    if (typing) return;
    event.preventDefault();
    act(event.shiftKey ? "redo" : "undo");
    return;
  }
  if ((event.ctrlKey || event.metaKey) && key === "k") { event.preventDefault(); if (!document.querySelector("dialog[open]")) openFind(); return; }
  if (event.target.closest("dialog")) return;
  if (!field && (event.ctrlKey || event.metaKey) && key === "c" && !String(getSelection())) { copy(); return; }
  if (!field && (event.ctrlKey || event.metaKey) && key === "v") { event.preventDefault(); paste(); return; }
  if (!field && (event.ctrlKey || event.metaKey) && key === "a") { event.preventDefault(); select([...drawing.cards.keys()].filter(id => /^[er]/.test(id)).join(",")); return; }
  if (field) { inField(event, field); return; }
  if (event.key === "Escape") {
    if (isRelating()) stopRelating(); else if (document.activeElement === sheet) select("");
    sheet.focus();
    return;
  }
  const entry = event.target.closest("#contents .entry");
  if (entry && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
    const all = [...document.querySelectorAll("#contents .entry")];
    const next = all[all.indexOf(entry) + (event.key === "ArrowDown" ? 1 : -1)];
    if (next) { next.focus(); select(next.dataset.select); drawing.reveal(next.dataset.select); }
    event.preventDefault();
    return;
  }
  if (event.target.id === "sash" && (event.key === "ArrowUp" || event.key === "ArrowDown")) { size(height() + (event.key === "ArrowUp" ? 20 : -20)); event.preventDefault(); return; }
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.target.closest("button, a") && (event.key === "Enter" || event.key === " ")) return;
  if (ARROWS[event.key] && document.activeElement === sheet && drawing.several().some(id => drawing.cards.has(id))) { nudge(-ARROWS[event.key][0], -ARROWS[event.key][1], event.shiftKey ? 1 : 10); event.preventDefault(); return; }
  if (ARROWS[event.key]) { drawing.pan(ARROWS[event.key][0] * 60, ARROWS[event.key][1] * 60); event.preventDefault(); return; }
  if (KEYS[key]) { event.preventDefault(); act(KEYS[key]); }
});
