// What answers of the server change beside the ledger: the drawing, the contents, the sheets, the selection and the focus.
import * as drawing from "../sheet.js";
import { filter } from "./contents.js";
import { goBack } from "./moving.js";
import { desk, kept, sheet } from "./page.js";
import { focusIsPromised, keepInSight, mirror, remember, show, stopRelating, takeFocus } from "./selection.js";

document.addEventListener("htmx:oobAfterSwap", event => {
  if (event.detail.target.id === "sheet-patch" || event.detail.elt && event.detail.elt.id === "sheet-patch") drawing.patch(document.getElementById("sheet-patch"));
  if (event.detail.target.id === "contents") { mirror(); filter(); }
  if (event.detail.target.id === "sheet-tabs") sheetGone();
});
// The sheet that was shown may have been deleted; the server then shows the first one.
function sheetGone() {
  const tabs = document.getElementById("sheet-tabs");
  if (tabs.dataset.sheet !== desk.dataset.sheet) show(tabs.dataset.sheet);
}
document.addEventListener("htmx:afterSettle", event => {
  if (event.detail.target.id !== "ledger") return;
  const target = document.getElementById("copy-target");
  if (target && !target.options.length) document.querySelectorAll("#designs option").forEach(option => target.add(new Option(option.label, option.value)));
  const about = document.querySelector("#ledger .about");
  if (about && about.id === "about-design" && desk.dataset.selected) { desk.dataset.selected = ""; drawing.mark(""); mirror(); }
  // what was in use may be gone with the edit: the keys then still have somewhere to go
  if (!focusIsPromised() && document.activeElement === document.body && !document.querySelector("dialog[open]")) sheet.focus({ preventScroll: true });
  const field = document.getElementById(takeFocus());
  if (field) { field.focus(); if (field.select) field.select(); }
});
document.addEventListener("entaxis:selected", event => {
  const id = event.detail.value || "";
  desk.dataset.selected = id;
  desk.dataset.leaf = "";
  drawing.mark(id);
  drawing.reveal(id.split(",")[0]);
  keepInSight(id, Promise.resolve());
  mirror();
  remember();
  if (id.startsWith("e")) document.getElementById("add-line")?.focus();
  if (id.startsWith("r")) document.getElementById("verb-FIRST")?.select();
  if (id.startsWith("n")) document.getElementById("note-text")?.select();
  if (!id) sheet.focus();
});
document.addEventListener("htmx:responseError", event => {
  const config = event.detail.requestConfig;
  if (config && config.parameters && (config.parameters.kind === "cards.place" || config.path.endsWith("/snap"))) goBack();
});

// a picture goes where one looks
document.addEventListener("htmx:configRequest", event => {
  if (event.detail.elt.id !== "picture-add") return;
  const c = drawing.centre(), at = drawing.toSheet(c.x - 100, c.y - 80);
  event.detail.parameters.x = Math.round(at.x);
  event.detail.parameters.y = Math.round(at.y);
});

// a sentence that is not understood is marked where it stops being one
document.addEventListener("htmx:afterSwap", event => {
  const place = event.detail.target.id === "say-fault" && /Line (\d+), character (\d+)/.exec(event.detail.target.textContent), field = document.getElementById("say-text");
  if (!place || !field) return;
  const lines = field.value.split("\n"), from = lines.slice(0, place[1] - 1).reduce((sum, line) => sum + line.length + 1, 0) + Number(place[2]) - 1;
  field.focus();
  field.setSelectionRange(Math.min(from, field.value.length), Math.min(from + (lines[place[1] - 1].slice(place[2] - 1).search(/[.;\/]|$/) || 1), field.value.length));
});

// a form whose edit is kept is ready for the next one
document.addEventListener("htmx:afterRequest", event => {
  if (!kept(event)) return;
  const id = event.detail.elt.id;
  if (id === "relate") stopRelating();
  const field = document.getElementById(id === "say" ? "say-text" : /^(index|rule|type|kind)-new$|^assume-/.test(id) ? id : "");
  if (field) field.value = "";
});
