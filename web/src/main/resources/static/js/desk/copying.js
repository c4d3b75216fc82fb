// Copies: entities as a reference that the server resolves, attributes as the lines that they are typed as; and attributes that are chosen, and dragged to another entity.
import * as drawing from "../sheet.js";
import { desk, post, say } from "./page.js";

async function put(text, what) {
  sessionStorage.setItem("entaxis.copied", text);
  localStorage.setItem("entaxis.copied", text);
  try { await navigator.clipboard.writeText(text); } catch (refused) { /* the copy within this browser still works */ }
  say(what);
}
export function copy() {
  const ids = drawing.several().filter(id => id.startsWith("e"));
  if (ids.length) put(`entaxis:${desk.dataset.design}:${ids.join(",")}`, `${ids.length} copied. Paste with Ctrl+V, here or in another design.`);
}
export function paste() {
  const text = localStorage.getItem("entaxis.copied") || "", c = drawing.centre(), at = drawing.toSheet(c.x - 80, c.y - 60);
  if (text.startsWith("entaxis:")) post("/edits", { kind: "entities.paste", value: text, x: at.x, y: at.y });
  else say("Nothing was copied yet. Select entities and press Ctrl+C.");
}
const handles = () => [...document.querySelectorAll("#ledger .handle")];
function chosenAttributes() {
  const ids = handles().filter(handle => handle.getAttribute("aria-pressed") === "true").map(handle => handle.dataset.attribute), form = document.getElementById("move-attributes");
  form.hidden = ids.length === 0;
  document.getElementById("chosen-attributes").value = ids.join(",");
  document.getElementById("chosen-count").textContent = ids.length + " chosen:";
}
export function copyLines() {
  const lines = document.getElementById("attribute-lines").textContent.split("\n"), all = handles();
  const chosen = lines.filter((line, i) => all[i] && all[i].getAttribute("aria-pressed") === "true");
  put(chosen.join("\n"), `${chosen.length} copied as lines. Paste them into the line of another entity.`);
}
document.addEventListener("dragstart", event => {
  const handle = event.target.closest && event.target.closest(".handle");
  if (!handle) return;
  handle.setAttribute("aria-pressed", "true");
  chosenAttributes();
  event.dataTransfer.setData("text/plain", document.getElementById("chosen-attributes").value);
  event.dataTransfer.effectAllowed = "copyMove";
});
const dropTarget = event => event.target.closest && (event.target.closest("#contents .entry") || event.target.closest(".card"));
document.addEventListener("dragover", event => { if (document.querySelector(".handle[aria-pressed=true]") && dropTarget(event)) event.preventDefault(); });
document.addEventListener("drop", event => {
  const target = dropTarget(event), to = target && (target.dataset.select || target.id.slice(2));
  if (!to || !to.startsWith("e") || !desk.dataset.selected.startsWith("e")) return;
  event.preventDefault();
  post("/edits", { kind: "attributes.move", owner: desk.dataset.selected, chosen: document.getElementById("chosen-attributes").value, to, value: event.ctrlKey ? "copy" : "move" });
});
document.addEventListener("click", event => {
  const handle = event.target.closest(".handle");
  if (!handle) return;
  handle.setAttribute("aria-pressed", String(handle.getAttribute("aria-pressed") !== "true"));
  chosenAttributes();
});
