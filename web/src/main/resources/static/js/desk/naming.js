// The small field in which a new entity is named, or one is named otherwise.
import * as drawing from "../sheet.js";
import { kept, sheet } from "./page.js";

const { handlers } = drawing;
const namer = document.getElementById("namer"), namerName = document.getElementById("namer-name");

export function name(kind, at, id, text) {
  document.getElementById("namer-kind").value = kind;
  document.getElementById("namer-entity").value = id || "";
  const screen = kind === "entity.add" ? at : drawing.toScreen(at.x, at.y);
  const onSheet = kind === "entity.add" ? drawing.toSheet(at.x, at.y) : at;
  document.getElementById("namer-x").value = Math.round(onSheet.x);
  document.getElementById("namer-y").value = Math.round(onSheet.y);
  namer.hidden = false;
  namer.style.left = Math.max(4, Math.min(screen.x, sheet.clientWidth - 230)) + "px";
  namer.style.top = Math.max(36, Math.min(screen.y, sheet.clientHeight - 60)) + "px";
  namerName.value = text || "";
  document.getElementById("namer-fault").replaceChildren();
  namerName.focus();
  namerName.select();
}
namer.addEventListener("htmx:afterRequest", event => {
  if (kept(event)) {
    namer.hidden = true;
    if (document.getElementById("namer-kind").value === "entity.name") sheet.focus();
  }
});
namerName.addEventListener("keydown", event => {
  if (event.key === "Escape") { namer.hidden = true; sheet.focus(); event.stopPropagation(); }
});
handlers.create = at => name("entity.add", { x: at.sx, y: at.sy });
handlers.rename = id => {
  if (!id.startsWith("e")) return;
  const card = drawing.cards.get(id), entry = document.querySelector(`#contents [data-select="${CSS.escape(id)}"]`);
  name("entity.name", { x: +card.dataset.x, y: +card.dataset.y }, id, entry ? entry.textContent : "");
};

// A place near the middle of the window where no card lies.
export function free() {
  const c = drawing.centre();
  let at = { x: c.x - 70, y: c.y - 40 };
  for (let ring = 0; ring < 12; ring++) {
    const p = drawing.toSheet(at.x, at.y);
    const taken = [...drawing.cards.values()].some(card => +card.dataset.x < p.x + 190 && +card.dataset.x + +card.dataset.w > p.x - 30
      && +card.dataset.y < p.y + 130 && +card.dataset.y + +card.dataset.h > p.y - 30);
    if (!taken) return at;
    const angle = ring * 2.4, out = 60 + ring * 34;
    at = { x: c.x - 70 + Math.cos(angle) * out, y: c.y - 40 + Math.sin(angle) * out * 0.6 };
  }
  return at;
}
