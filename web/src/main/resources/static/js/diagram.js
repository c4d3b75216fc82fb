// The Diagram desk, put together from its parts.
import "./gestures.js";
import * as drawing from "./sheet.js";
import "./completing.js";
import "./fetching.js";
import "./together.js";
import "./desk/answers.js";
import "./desk/clicks.js";
import "./desk/keys.js";
import { address, desk, post } from "./desk/page.js";
import { mirror, relate, select, toggle } from "./desk/selection.js";

const { handlers } = drawing;
handlers.select = id => select(id);
handlers.toggle = toggle;
handlers.bent = (line, from, to, corners) => post("/edits", { kind: "line.way", line, from, to, value: corners.map(corner => corner.map(Math.round).join(",")).join(";") });
handlers.details = async ids => {
  const body = new URLSearchParams({ lens: desk.dataset.lens, sheet: desk.dataset.sheet, ids: ids.join(",") });
  const answer = await fetch(address + "/parts", { method: "POST", body, headers: JSON.parse(desk.getAttribute("hx-headers")) });
  if (answer.ok) drawing.detail(await answer.text());
};
handlers.linked = relate;

mirror();
// the drawing comes out of its template when the page's own parts have been looked through, which would else take in every card
document.addEventListener("DOMContentLoaded", () => {
  drawing.patch(document.getElementById("sheet-first").content.firstElementChild);
  drawing.mark(desk.dataset.selected);
  const start = () => { drawing.fit(); desk.dataset.ready = "true"; };
  document.fonts ? document.fonts.ready.then(start) : start();
});
