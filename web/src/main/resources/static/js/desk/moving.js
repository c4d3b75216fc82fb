// Cards that were moved stay where they were put until the server has answered; one edit tells where they came to rest.
import * as drawing from "../sheet.js";
import { post } from "./page.js";

const { handlers } = drawing;
const moving = new Set();

/** Puts cards back whose move was refused. */
export const goBack = () => moving.forEach(id => drawing.back(id));

const list = places => places.map(place => `${place.id}:${place.x},${place.y}`).join(";");
function send(places, request) {
  places.forEach(place => moving.add(place.id));
  request(places).then(() => places.forEach(place => { moving.delete(place.id); if (drawing.cards.has(place.id)) drawing.unfollow(place.id); }));
}
const place = places => post("/edits", { kind: "cards.place", value: list(places) });
handlers.moved = places => {
  const one = places.length === 1 && /^[er]/.test(places[0].id) && localStorage.getItem("entaxis.snap") !== "off";
  send(places, one ? ([card]) => post("/snap", { card: card.id, x: card.x, y: card.y }) : place);
};

/** Whether a card that is dropped falls in line with its neighbours; kept in this browser. */
export function snapping(on) {
  if (on) localStorage.removeItem("entaxis.snap"); else localStorage.setItem("entaxis.snap", "off");
  document.querySelector('[data-do="snap"]').setAttribute("aria-pressed", String(on));
}
snapping(localStorage.getItem("entaxis.snap") !== "off");

// Arrow keys move the selected cards; one edit tells the server where they came to rest.
let nudged = null;
export function nudge(dx, dy, by) {
  const ids = drawing.several().filter(id => drawing.cards.has(id));
  if (!nudged) nudged = { ids, dx: 0, dy: 0 };
  nudged.dx += dx * by;
  nudged.dy += dy * by;
  drawing.moveBy(nudged.ids, nudged.dx, nudged.dy);
  clearTimeout(nudged.timer);
  nudged.timer = setTimeout(() => {
    const done = nudged;
    nudged = null;
    const places = drawing.placed(done.ids, done.dx, done.dy);
    send(places, place);
  }, 300);
}
