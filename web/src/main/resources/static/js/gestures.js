// Gestures on the sheet: pointers that pan, move, frame, bend and link, the wheel, and two fingers.
import { back, box, cards, handlers, hold, layers, moveBy, moveTo, pan, placed, points, several, sheet, state, toSheet, zoom } from "./sheet.js";

const NS = "http://www.w3.org/2000/svg";
const place = event => {
  const r = sheet.getBoundingClientRect(), sx = event.clientX - r.left, sy = event.clientY - r.top;
  return { sx, sy, ...toSheet(sx, sy) };
};
const pointers = new Map();
let gesture = null, pinch = 0;

sheet.addEventListener("pointerdown", event => {
  if (event.target.closest("button, form, dialog, input")) return;
  sheet.focus({ preventScroll: true });
  pointers.set(event.pointerId, event);
  if (pointers.size === 2) { letGo(); pinch = spread(); return; }
  if (event.button !== 0 && event.button !== 1) return;
  const card = event.target.closest(".card"), line = event.target.closest(".line"), at = place(event);
  sheet.setPointerCapture(event.pointerId);
  if (card && event.button === 0) {
    const id = card.id.slice(2);
    const among = several();
    gesture = { kind: event.target.classList.contains("spine") && id.startsWith("e") && !event.shiftKey ? "link" : "move", id, card, at, dx: 0, dy: 0, far: false, shift: event.shiftKey,
      ids: among.includes(id) && among.length > 1 ? among.filter(one => cards.has(one)) : [id] };
  } else if (line && event.button === 0) {
    gesture = { kind: "line", id: line.dataset.r, line, at, shift: event.shiftKey, far: false, segment: segment(line, at) };
  } else if (event.shiftKey) {
    gesture = { kind: "frame", at, far: false };
  } else {
    gesture = { kind: "pan", at, from: state(), far: false };
  }
});
// Ends a gesture without effect: what was moved goes back.
function letGo() {
  if (gesture && gesture.kind === "move") { hold(gesture.ids, false); gesture.ids.forEach(back); }
  if (gesture && gesture.kind === "line") unbend(gesture.line);
  layers.overlay.querySelectorAll(".band, .thread").forEach(mark => mark.remove());
  sheet.classList.remove("dragging");
  gesture = null;
}
const spread = () => {
  const [a, b] = [...pointers.values()];
  return Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY);
};
sheet.addEventListener("pointermove", event => {
  if (!pointers.has(event.pointerId)) return;
  pointers.set(event.pointerId, event);
  if (pointers.size === 2 && pinch) {
    const [a, b] = [...pointers.values()], r = sheet.getBoundingClientRect(), now = spread();
    zoom(now / pinch, (a.clientX + b.clientX) / 2 - r.left, (a.clientY + b.clientY) / 2 - r.top);
    pinch = now;
    return;
  }
  if (!gesture) return;
  const at = place(event);
  if (!gesture.far && Math.hypot(at.sx - gesture.at.sx, at.sy - gesture.at.sy) < 4) return;
  gesture.far = true;
  gesture.latest = at;
  if (!gesture.frame) gesture.frame = requestAnimationFrame(() => { if (gesture) { gesture.frame = 0; moveOn(gesture, gesture.latest); } });
});

function moveOn(g, at) {
  sheet.classList.add("dragging");
  if (g.kind === "pan") {
    moveTo(g.from.x + at.sx - g.at.sx, g.from.y + at.sy - g.at.sy);
  } else if (g.kind === "move") {
    g.dx = at.x - g.at.x;
    g.dy = at.y - g.at.y;
    moveBy(g.ids, g.dx, g.dy);
  } else if (g.kind === "frame") {
    let band = layers.overlay.querySelector(".band");
    if (!band) {
      band = document.createElementNS(NS, "rect");
      band.setAttribute("class", "band");
      layers.overlay.appendChild(band);
    }
    for (const [name, value] of Object.entries({ x: Math.min(at.x, g.at.x), y: Math.min(at.y, g.at.y), width: Math.abs(at.x - g.at.x), height: Math.abs(at.y - g.at.y) })) band.setAttribute(name, value);
  } else if (g.kind === "line" && g.segment) {
    g.bent = g.segment.points.map(p => p.slice());
    const across = g.segment.upright ? 0 : 1, by = across ? at.y - g.at.y : at.x - g.at.x;
    for (const i of [g.segment.at, g.segment.at + 1]) g.bent[i][across] = Math.round(g.bent[i][across] + by);
    g.line.querySelector(".way").setAttribute("d", "M" + g.bent.map(p => p.join(" ")).join("L"));
  } else if (g.kind === "link") {
    let thread = layers.overlay.querySelector(".thread");
    if (!thread) {
      thread = document.createElementNS(NS, "path");
      thread.setAttribute("class", "thread");
      layers.overlay.appendChild(thread);
    }
    thread.setAttribute("d", `M${g.at.x} ${g.at.y}L${at.x} ${at.y}`);
  }
}

// The stretch of a line that was taken hold of, if it touches no card.
function segment(line, at) {
  const ps = points(line.querySelector(".way").getAttribute("d"));
  for (let i = 1; i + 2 < ps.length; i++) {
    const [a, b] = [ps[i], ps[i + 1]], upright = a[0] === b[0];
    const along = upright ? at.y >= Math.min(a[1], b[1]) - 4 && at.y <= Math.max(a[1], b[1]) + 4 : at.x >= Math.min(a[0], b[0]) - 4 && at.x <= Math.max(a[0], b[0]) + 4;
    if (along && Math.abs(upright ? at.x - a[0] : at.y - a[1]) < 8) return { at: i, upright, points: ps };
  }
  return null;
}

const end = event => {
  pointers.delete(event.pointerId);
  pinch = 0;
  const g = gesture;
  gesture = null;
  sheet.classList.remove("dragging");
  if (!g) return;
  const at = place(event);
  if (!g.far) {
    if (g.kind === "pan" || g.kind === "frame") handlers.select(""); else if (g.shift) handlers.toggle(g.id); else handlers.select(g.id);
  } else if (g.kind === "move") {
    moveOn(g, at);
    sheet.classList.remove("dragging");
    hold(g.ids, false);
    handlers.moved(placed(g.ids, g.dx, g.dy));
  } else if (g.kind === "frame") {
    layers.overlay.querySelector(".band")?.remove();
    const left = Math.min(at.x, g.at.x), right = Math.max(at.x, g.at.x), top = Math.min(at.y, g.at.y), bottom = Math.max(at.y, g.at.y);
    const inside = [...cards].filter(([id, card]) => { const b = box(card); return /^[er]/.test(id) && b.x < right && b.x + b.w > left && b.y < bottom && b.y + b.h > top; });
    handlers.select(inside.map(([id]) => id).join(","));
  } else if (g.kind === "line" && g.bent) {
    handlers.bent(g.line.id.slice(2), g.line.dataset.as, g.line.dataset.bs, g.bent.slice(1, -1));
  } else if (g.kind === "link") {
    layers.overlay.querySelector(".thread")?.remove();
    const target = document.elementsFromPoint(event.clientX, event.clientY).map(node => node.closest(".card")).find(Boolean);
    if (target && target.id.startsWith("c-e")) handlers.linked(g.id, target.id.slice(2));
  }
};
sheet.addEventListener("pointerup", end);
sheet.addEventListener("pointercancel", event => {
  pointers.delete(event.pointerId);
  pinch = 0;
  letGo();
});
function unbend(line) {
  const g = gesture;
  if (g && g.segment && g.bent) line.querySelector(".way").setAttribute("d", "M" + g.segment.points.map(p => p.join(" ")).join("L"));
}

// an outline says what it is when one points at it
sheet.addEventListener("pointerover", event => {
  const card = event.target.closest("[data-outline].card");
  if (!card || card.querySelector("title")) return;
  const title = document.createElementNS(NS, "title");
  title.textContent = card.querySelector("text")?.textContent || "";
  card.prepend(title);
});

sheet.addEventListener("dblclick", event => {
  if (event.target.closest("button, form, dialog, input")) return;
  const card = event.target.closest(".card");
  if (card) handlers.rename(card.id.slice(2));
  else if (!event.target.closest(".line")) handlers.create(place(event));
});
sheet.addEventListener("wheel", event => {
  if (event.target.closest("dialog")) return;
  event.preventDefault();
  const at = place(event), unit = event.deltaMode === 1 ? 18 : 1;
  if (event.ctrlKey || event.metaKey) zoom(Math.exp(-event.deltaY * unit * 0.01 * (Math.abs(event.deltaY) > 50 ? 0.2 : 1)), at.sx, at.sy);
  else pan(-(event.shiftKey ? event.deltaY : event.deltaX) * unit, -(event.shiftKey ? 0 : event.deltaY) * unit);
}, { passive: false });
