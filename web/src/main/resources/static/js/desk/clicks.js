// Clicks on what carries data-select, data-leaf, data-sheet, data-align, data-do or data-lens.
import * as drawing from "../sheet.js";
import { act } from "./actions.js";
import { desk, post } from "./page.js";
import { leaf, look, openWith, select, show, toggle } from "./selection.js";

document.addEventListener("click", event => {
  const chooser = event.target.closest("[data-select]");
  if (chooser) {
    if (chooser.dataset.leaf) openWith(chooser.dataset.leaf);
    if (event.shiftKey && chooser.closest("#contents")) toggle(chooser.dataset.select); else { select(chooser.dataset.select); drawing.reveal(chooser.dataset.select); }
  }
  const other = event.target.closest(".leaves [data-leaf]");
  if (other) leaf(other.closest("#about-design") && other.getAttribute("aria-pressed") === "true" ? "" : other.dataset.leaf);
  const tab = event.target.closest(".sheet-tabs button[data-sheet]");
  if (tab) show(tab.dataset.sheet);
  const line = event.target.closest("[data-align]");
  if (line) post("/align", { cards: desk.dataset.selected, value: line.dataset.align });
  const how = event.target.closest("[data-how]");
  if (how) document.getElementById("move-how").value = how.dataset.how;
  const tool = event.target.closest("[data-do]");
  if (tool) act(tool.dataset.do);
  const lens = event.target.closest("[data-lens]");
  if (lens && lens !== desk) look(lens.dataset.lens);
});
