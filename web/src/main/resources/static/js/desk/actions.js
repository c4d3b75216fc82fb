// Everything that a key, a button or Find can ask of the desk, by name.
import { openFind } from "../find.js";
import * as margin from "../margin.js";
import { openPicture } from "../picture.js";
import * as drawing from "../sheet.js";
import { copy, copyLines } from "./copying.js";
import { snapping } from "./moving.js";
import { free, name } from "./naming.js";
import { desk, post, say, sheet } from "./page.js";
import { leaf, look, select, startRelating } from "./selection.js";

export function act(what) {
  const chosen = desk.dataset.selected;
  switch (what) {
    case "entity": name("entity.add", free()); break;
    case "relate":
      if (!chosen.startsWith("e")) return say("Select the entity to relate first: click its card, or C and the arrows.");
      startRelating();
      document.getElementById("relate-to")?.focus();
      break;
    case "arrange": {
      const some = drawing.several().filter(id => /^[er]/.test(id) && drawing.cards.has(id));
      if (some.length > 1) post("/arrange", { cards: some.join(",") }); else post("/arrange", {}).then(() => setTimeout(drawing.fit, 30));
      break;
    }
    case "find": openFind(); break;
    case "legend": document.getElementById("legend").showModal(); break;
    case "picture": openPicture(); break;
    case "resolve": {
      const field = document.getElementById("resolve-name");
      if (field) field.select(); else say("Select a many-to-many first: a line with many at both ends.");
      break;
    }
    case "duplicate": if (/^e[^,]*$/.test(chosen)) post("/edits", { kind: "entity.duplicate", entity: chosen, value: "with" }); break;
    case "neighbours": case "neighbours2":
      if (!chosen.startsWith("e")) return say("Select the entity whose neighbours are to come onto this sheet.");
      post("/bring", { cards: chosen, steps: what === "neighbours" ? 1 : 2 });
      break;
    case "connected": connected(); break;
    case "pin": if (chosen) post("/edits", { kind: "cards.pin", cards: chosen, value: String(!drawing.several().every(id => drawing.cards.get(id)?.querySelector(".pin"))) }); break;
    case "hide": if (chosen) post("/edits", { kind: "cards.hide", cards: chosen }).then(() => { if (!chosen.includes(",")) select(""); }); break;
    case "off": if (chosen) post("/edits", { kind: "cards.off", cards: chosen }); break;
    case "note": { const c = drawing.centre(), at = drawing.toSheet(c.x - 120, c.y - 40); post("/edits", { kind: "note.add", value: "Write here", x: at.x, y: at.y }); break; }
    case "straighten": if (chosen.startsWith("r")) post("/straighten", { line: chosen }); break;
    case "copy": copy(); break;
    case "copy-lines": copyLines(); break;
    case "fit": drawing.fit(); break;
    case "snap": snapping(localStorage.getItem("entaxis.snap") === "off"); break;
    case "closer": { const c = drawing.centre(); drawing.zoom(1.2, c.x, c.y); break; }
    case "farther": { const c = drawing.centre(); drawing.zoom(1 / 1.2, c.x, c.y); break; }
    case "turn": if (chosen.startsWith("r")) post("/edits", { kind: "relationship.turn", relationship: chosen }); break;
    case "rename": if (drawing.cards.has(chosen)) drawing.handlers.rename(chosen); break;
    case "delete":
      if (chosen.includes(",")) { post("/edits", { kind: "cards.remove", cards: chosen }); break; }
      if (chosen.startsWith("n")) post("/edits", { kind: "note.remove", note: chosen });
      if (chosen.startsWith("i")) post("/edits", { kind: "picture.remove", picture: chosen });
      if (chosen.startsWith("e")) post("/edits", { kind: "entity.remove", entity: chosen });
      if (chosen.startsWith("r")) post("/edits", { kind: "relationship.remove", relationship: chosen });
      break;
    case "lens": look(desk.dataset.lens === "tables" ? "concept" : "tables"); break;
    case "add": document.getElementById("add-line")?.focus(); break;
    case "findings": margin.toggle(); break;
    case "fold": leaf(""); sheet.focus(); break;
    case "keys": document.getElementById("keys").showModal(); break;
    case "contents": (document.querySelector("#contents .chosen") || document.querySelector("#contents .entry"))?.focus(); break;
    case "undo": post("/undo", {}); break;
    case "redo": post("/redo", {}); break;
  }
}
// All cards that can be reached over lines from the selected ones.
function connected() {
  const reached = new Set(drawing.several().filter(id => drawing.cards.has(id))), open = [...reached];
  while (open.length) {
    for (const line of drawing.linesOf.get(open.pop()) || []) {
      for (const id of [line.dataset.a, line.dataset.b]) if (drawing.cards.has(id) && !reached.has(id)) { reached.add(id); open.push(id); }
    }
  }
  if (reached.size) select([...reached].join(","));
}

document.addEventListener("entaxis:act", event => act(event.detail));
