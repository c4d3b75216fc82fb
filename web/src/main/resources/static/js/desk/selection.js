// What is selected, on which sheet and through which lens it is looked at; the ledger, the contents and the address follow.
import * as drawing from "../sheet.js";
import { address, desk, post, sheet } from "./page.js";

let keepLeaf = false, revealing = 0, revealed = null, relating = false, focusAfter = "";

desk.dataset.selected = desk.dataset.selected || "";

/** Says that the next entity to be selected is one to relate to. */
export function startRelating() { relating = true; }
export function stopRelating() { relating = false; }
export const isRelating = () => relating;

export function relate(first, second) {
  stopRelating();
  sheet.classList.remove("relating");
  post("/edits", { kind: "relationship.add", first, second });
}

/** Names the field that gets the focus when the ledger has settled. */
export function focusNext(id) { focusAfter = id; }
/** The field that is to get the focus now, once. */
export function takeFocus() {
  const id = focusAfter;
  focusAfter = "";
  return id;
}
export const focusIsPromised = () => Boolean(focusAfter);

/** Opens a part of the ledger with the next selection. */
export function openWith(part) {
  desk.dataset.leaf = part;
  keepLeaf = true;
}

export function select(id, focus) {
  desk.dataset.leaf = keepLeaf ? desk.dataset.leaf : "";
  keepLeaf = false;
  if (relating && id.startsWith("e")) { relate(desk.dataset.selected, id); return; }
  stopRelating();
  desk.dataset.selected = id;
  drawing.mark(id);
  mirror();
  focusNext(focus || "");
  keepInSight(id, htmx.ajax("GET", `${address}/ledger?sel=${encodeURIComponent(id)}&sheet=${desk.dataset.sheet}&leaf=${desk.dataset.leaf}`,
    { source: sheet, target: "#ledger", swap: "innerHTML" }));
  remember();
}
// What is selected comes out from behind the ledger that opens, but not before a second click could have made a double one. A sheet that was
// seen whole is so again when nothing is selected any more, unless one has moved it meanwhile.
const same = (one, other) => one.x === other.x && one.y === other.y && one.scale === other.scale;
export function keepInSight(id, shown) {
  const whole = revealed !== null && same(revealed, drawing.state()) || drawing.wholeSeen(), from = performance.now();
  const look = () => {
    if (desk.dataset.selected !== id) return;
    if (id) drawing.reveal(id); else if (whole && !drawing.wholeSeen()) drawing.fit();
    revealed = id && whole ? drawing.state() : null;
  };
  clearTimeout(revealing);
  shown.then(() => { revealing = setTimeout(look, Math.max(0, 400 + from - performance.now())); }).catch(() => {});
}
// One card more or less among the selected ones.
export function toggle(id) {
  if (!/^[er]/.test(id)) return select(id);
  const ids = drawing.several().filter(one => /^[er]/.test(one));
  select((ids.includes(id) ? ids.filter(one => one !== id) : [...ids, id]).join(","));
}
export function remember() {
  const id = desk.dataset.selected;
  history.replaceState(null, "", `${address}?lens=${desk.dataset.lens}&sheet=${desk.dataset.sheet}${id ? "&sel=" + id : ""}`);
}
export function leaf(name) {
  desk.dataset.leaf = name;
  keepLeaf = true;
  focusNext("");
  htmx.ajax("GET", `${address}/ledger?sel=${encodeURIComponent(desk.dataset.selected)}&sheet=${desk.dataset.sheet}&leaf=${name}`, { source: sheet, target: "#ledger", swap: "innerHTML" })
    .then(() => { keepLeaf = false; document.querySelector(`#ledger [data-leaf="${name}"]`)?.focus(); });
}
export function show(sheetId) {
  desk.dataset.sheet = sheetId;
  htmx.ajax("GET", `${address}/sheet?lens=${desk.dataset.lens}&sheet=${sheetId}`, { source: sheet, target: "#sheet-patch", swap: "none" }).then(() => setTimeout(drawing.fit, 30));
  htmx.ajax("POST", address + "/since", { source: sheet, target: "#ledger", swap: "morph:innerHTML" });
  remember();
}
export function mirror() {
  document.querySelectorAll("#contents .entry").forEach(entry => {
    const here = entry.dataset.select === desk.dataset.selected;
    entry.classList.toggle("chosen", here);
    if (here) { entry.setAttribute("aria-current", "true"); entry.scrollIntoView({ block: "nearest" }); } else entry.removeAttribute("aria-current");
  });
  document.querySelectorAll(".desks a").forEach(link => {
    const url = new URL(link.href);
    url.searchParams.set("sel", desk.dataset.selected);
    link.href = url.pathname + url.search;
  });
}

/** Shows the sheet through another lens. */
export function look(lens) {
  desk.dataset.lens = lens;
  document.querySelectorAll(".lens button").forEach(button => button.setAttribute("aria-pressed", String(button.dataset.lens === lens)));
  const whole = drawing.wholeSeen();
  htmx.ajax("GET", `${address}/sheet?lens=${lens}&sheet=${desk.dataset.sheet}`, { source: sheet, target: "#sheet-patch", swap: "none" })
    .then(() => { if (whole && !drawing.wholeSeen()) drawing.fit(); });
  remember();
}
