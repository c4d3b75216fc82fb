// The sheet: pan, zoom, cards that are moved, and the changed groups that the server sends put in place. What anything means is the server's business.
export const sheet = document.getElementById("sheet");
const view = document.getElementById("view");
const drawing = document.getElementById("drawing");
export const layers = { paper: document.getElementById("paper"), lines: document.getElementById("lines"), cards: document.getElementById("cards"), areas: document.getElementById("areas"), overlay: document.getElementById("overlay") };
const groups = new Map();
export const cards = new Map();
export const linesOf = new Map();
const NS = "http://www.w3.org/2000/svg";
// below FAR the rows of cards (13 units high) would be smaller than 9 px, so that only names are shown; below FARTHER those of the areas
const FAR = 9 / 13, FARTHER = 0.3, CULL_FROM = 120;
// room that is kept free beside, above and below a sheet that is shown whole
const SIDE = 16, HEAD = 38, FOOT = 34;
// what the desk does when something is asked of the sheet
export const handlers = { select() {}, toggle() {}, moved() {}, linked() {}, create() {}, rename() {}, bent() {}, details() {} };
let x = 0, y = 0, scale = 1, frame = 0, chosen = "", extent = null;
export const several = () => chosen.split(",").filter(Boolean);
// the window's size is kept here: asking the browser after each answer would make it lay the page out at once
let width = sheet.clientWidth, height = sheet.clientHeight;

const turn = () => {
  view.style.transform = `translate(${x}px, ${y}px) scale(${scale})`;
  drawing.classList.toggle("far", scale < FAR);
  drawing.classList.toggle("farther", scale < FARTHER && layers.areas.childElementCount > 1);
};
const apply = () => {
  if (frame) return;
  frame = requestAnimationFrame(() => {
    frame = 0;
    turn();
    cull();
  });
};

export function box(card) {
  const data = card.dataset;
  return { x: +data.x, y: +data.y, w: +data.w, h: +data.h };
}

// Cards and lines outside the window are not painted; of those inside, what has only its outline is asked for in full when one is near enough to read it.
function cull() {
  const many = cards.size > CULL_FROM, near = scale >= FAR, bare = [];
  const left = -x / scale, top = -y / scale, right = left + width / scale, bottom = top + height / scale;
  for (const [id, part] of groups) {
    const b = part.box;
    const inside = b.x < right && b.x + b.w > left && b.y < bottom && b.y + b.h > top;
    const shown = !many || part.held || inside;
    if (near && inside && part.node.dataset.outline && !part.asked) {
      part.asked = true;
      bare.push(id.slice(2));
    }
    if (shown !== part.shown) {
      part.shown = shown;
      part.node.style.display = shown ? "" : "none";
    }
  }
  if (bare.length) handlers.details(bare);
}

// Puts cards and lines in full in the place of their outlines; those that changed meanwhile are in full already.
export function detail(text) {
  const holder = document.createElement("template");
  holder.innerHTML = text;
  const [lines, boxes] = holder.content.firstElementChild.children;
  for (const [layer, nodes] of [[layers.lines, lines], [layers.cards, boxes]]) {
    [...nodes.children].forEach(node => { if (groups.get(node.id)?.node.dataset.outline) put(layer, node); });
  }
  mark(chosen);
  cull();
}

export function points(path) {
  return path.slice(1).split("L").map(pair => pair.split(" ").map(Number));
}

function put(layer, node) {
  const old = groups.get(node.id);
  if (old) old.node.replaceWith(node); else layer.appendChild(node);
  if (old && layer === layers.lines) unlink(old.node);
  let b;
  if (layer === layers.cards) {
    b = box(node);
    cards.set(node.id.slice(2), node);
  } else {
    const ps = points(node.querySelector(".way").getAttribute("d"));
    const xs = ps.map(p => p[0]), ys = ps.map(p => p[1]);
    b = { x: Math.min(...xs) - 60, y: Math.min(...ys) - 30, w: Math.max(...xs) - Math.min(...xs) + 120, h: Math.max(...ys) - Math.min(...ys) + 60 };
    for (const end of [node.dataset.a, node.dataset.b]) {
      if (!linesOf.has(end)) linesOf.set(end, new Set());
      linesOf.get(end).add(node);
    }
  }
  groups.set(node.id, { node, box: b, shown: true });
}

function unlink(line) {
  for (const end of [line.dataset.a, line.dataset.b]) linesOf.get(end)?.delete(line);
}

function drop(id) {
  const old = groups.get(id);
  if (!old) return;
  old.node.remove();
  groups.delete(id);
  if (id.startsWith("c-")) cards.delete(id.slice(2)); else unlink(old.node);
}

// Takes the groups out of the holder that came with an answer and puts them in their layers.
export function patch(holder) {
  if (!holder || !holder.firstElementChild) return;
  const [lines, boxes, paper, areas] = holder.firstElementChild.children;
  extent = (holder.dataset.bounds || "").split(" ").map(Number);
  // the first cards go straight to where they will be seen, so that none is styled twice or asked for in full for nothing
  if (!groups.size) { whole(); turn(); }
  layers.paper.replaceChildren(...paper.children);
  layers.areas.replaceChildren(...areas.children);
  if (holder.dataset.full === "true") [...groups.keys()].forEach(drop);
  (holder.dataset.removed || "").split(" ").filter(Boolean).forEach(drop);
  [...lines.children].forEach(node => put(layers.lines, node));
  [...boxes.children].forEach(node => put(layers.cards, node));
  holder.replaceChildren();
  document.getElementById("empty-sheet").hidden = cards.size > 0;
  mark(chosen);
  cull();
}

// Rings around the selected cards, and the selected line in the colour of selection; several are joined by commas.
export function mark(ids) {
  chosen = ids;
  layers.overlay.replaceChildren();
  drawing.querySelectorAll(".line.chosen").forEach(line => line.classList.remove("chosen"));
  for (const id of several()) {
    const card = cards.get(id);
    if (card) {
      const b = box(card), ring = document.createElementNS(NS, "rect");
      ring.setAttribute("class", "ring");
      for (const [name, value] of Object.entries({ x: b.x - 4, y: b.y - 4, width: b.w + 8, height: b.h + 8, rx: +card.dataset.r + 3 })) ring.setAttribute(name, value);
      layers.overlay.appendChild(ring);
    }
    drawing.querySelectorAll(`.line[data-r="${CSS.escape(id)}"]`).forEach(line => line.classList.add("chosen"));
  }
}

function bounds() {
  if (extent && extent.length === 4) return { left: extent[0], top: extent[1], right: extent[2], bottom: extent[3] };
  let left = Infinity, top = Infinity, right = -Infinity, bottom = -Infinity;
  for (const part of groups.values()) {
    const b = part.box;
    left = Math.min(left, b.x); top = Math.min(top, b.y); right = Math.max(right, b.x + b.w); bottom = Math.max(bottom, b.y + b.h);
  }
  return left === Infinity ? null : { left, top, right, bottom };
}

export function fit() { whole(); apply(); }

// Chooses the view that shows everything.
function whole() {
  const b = bounds();
  if (!b) { x = 0; y = 0; scale = 1; return; }
  // the tools above and the tabs and the paper's label below keep clear of the cards
  const wide = sheet.clientWidth - 2 * SIDE, high = sheet.clientHeight - HEAD - FOOT;
  scale = Math.max(0.05, Math.min(1, wide / (b.right - b.left), high / (b.bottom - b.top)));
  x = SIDE + (wide - (b.right - b.left) * scale) / 2 - b.left * scale;
  y = HEAD + (high - (b.bottom - b.top) * scale) / 2 - b.top * scale;
}

// Whether everything can be seen as the view is now.
export function wholeSeen() {
  const b = bounds();
  return !b || b.left * scale + x >= 0 && b.top * scale + y >= HEAD - 6 && b.right * scale + x <= sheet.clientWidth && b.bottom * scale + y <= sheet.clientHeight;
}

export function zoom(factor, atX, atY) {
  const next = Math.min(4, Math.max(0.05, scale * factor));
  x = atX - (atX - x) * next / scale;
  y = atY - (atY - y) * next / scale;
  scale = next;
  apply();
}

export function pan(dx, dy) { x += dx; y += dy; apply(); }

// Moves the view as little as needed to show a card whole, if there is room for all of it; else its upper left.
export function reveal(id) {
  const card = cards.get(id);
  if (!card) return;
  const b = box(card), pad = 12;
  const left = b.x * scale + x, top = b.y * scale + y, right = left + b.w * scale, bottom = top + b.h * scale;
  const dx = Math.max(pad - left, Math.min(0, sheet.clientWidth - pad - right)), dy = Math.max(HEAD - top, Math.min(0, sheet.clientHeight - FOOT - bottom));
  if (left < 0 || right > sheet.clientWidth) x += dx;
  if (top < HEAD || bottom > sheet.clientHeight) y += dy;
  apply();
}

export const toScreen = (px, py) => ({ x: px * scale + x, y: py * scale + y });
export const toSheet = (sx, sy) => ({ x: (sx - x) / scale, y: (sy - y) / scale });

export const placed = (ids, dx, dy) => ids.filter(id => cards.has(id)).map(id => ({ id, x: Math.round(+cards.get(id).dataset.x + dx), y: Math.round(+cards.get(id).dataset.y + dy) }));

// While a card is dragged its lines follow in a simple form: out, across, in.
function follow(id, dx, dy, moving) {
  for (const line of linesOf.get(id) || []) {
    const way = line.querySelector(".way");
    if (!line.kept) line.kept = points(way.getAttribute("d"));
    line.classList.add("following");
    const a = line.kept[0].slice(), b = line.kept[line.kept.length - 1].slice();
    if (line.dataset.a === id || moving.has(line.dataset.a)) { a[0] += dx; a[1] += dy; }
    if (line.dataset.b === id || moving.has(line.dataset.b)) { b[0] += dx; b[1] += dy; }
    let d;
    if (line.dataset.a === line.dataset.b || moving.has(line.dataset.a) && moving.has(line.dataset.b)) {
      d = "M" + line.kept.map(p => `${p[0] + dx} ${p[1] + dy}`).join("L");
    } else if (line.dataset.as === "LEFT" || line.dataset.as === "RIGHT") {
      const middle = (a[0] + b[0]) / 2;
      d = `M${a[0]} ${a[1]}L${middle} ${a[1]}L${middle} ${b[1]}L${b[0]} ${b[1]}`;
    } else {
      const middle = (a[1] + b[1]) / 2;
      d = `M${a[0]} ${a[1]}L${a[0]} ${middle}L${b[0]} ${middle}L${b[0]} ${b[1]}`;
    }
    way.setAttribute("d", d);
  }
}

export function unfollow(id) {
  for (const line of linesOf.get(id) || []) {
    if (line.kept) line.querySelector(".way").setAttribute("d", "M" + line.kept.map(p => p.join(" ")).join("L"));
    line.kept = null;
    line.classList.remove("following");
  }
}

// Shows cards moved, with their lines; what they are moved by is kept until the server answers.
export function moveBy(ids, dx, dy) {
  for (const id of ids) {
    const card = cards.get(id);
    if (!card) continue;
    const b = box(card);
    card.setAttribute("transform", `translate(${b.x + dx} ${b.y + dy})`);
    groups.get(card.id).held = true;
  }
  const moving = new Set(ids);
  ids.forEach(id => follow(id, dx, dy, moving));
  if (several().some(id => moving.has(id))) layers.overlay.querySelectorAll(".ring").forEach(ring => ring.setAttribute("transform", `translate(${dx} ${dy})`));
}

// Whether cards are moved at this moment: such a one is painted wherever it is.
export function hold(ids, held) { ids.forEach(id => { const part = groups.get("c-" + id); if (part) part.held = held; }); }

// Puts a card back where the server last said that it lies.
export function back(id) {
  const card = cards.get(id);
  if (!card) return;
  card.setAttribute("transform", `translate(${card.dataset.x} ${card.dataset.y})`);
  unfollow(id);
  mark(chosen);
}

export const centre = () => ({ x: sheet.clientWidth / 2, y: sheet.clientHeight / 2 });
export const state = () => ({ x, y, scale });
export function moveTo(toX, toY) { x = toX; y = toY; apply(); }

new ResizeObserver(entries => {
  ({ width, height } = entries[0].contentRect);
  cull();
}).observe(sheet);
