// Writing into the dictionary: one cell is open at a time; Enter keeps it and opens the next of its column, Escape leaves it as it was. Several pasted lines fill the cells below.
import "./fetching.js";
import "./together.js";

const desk = document.getElementById("desk"), book = document.getElementById("book"), edits = `/designs/${desk.dataset.design}/edits`;
const NONE = "no meaning yet";
let open = null;

const column = cell => cell.id.startsWith("example-") ? "example-" : "";
const cells = like => [...book.querySelectorAll(".cell")].filter(cell => column(cell) === like);
const words = cell => cell.dataset.words ?? (cell.classList.contains("none") || cell.classList.contains("taken") ? "" : cell.textContent);
function show(cell, text) {
  const meaning = column(cell) === "";
  cell.dataset.words = text;
  cell.classList.toggle("none", meaning && !text);
  cell.classList.remove("taken");
  cell.textContent = text || (meaning ? NONE : "");
}
function faultOf(cell) {
  let slot = document.getElementById(cell.id + "-fault");
  if (!slot) {
    slot = document.createElement("span");
    slot.id = cell.id + "-fault";
    slot.className = "fault";
    slot.setAttribute("role", "alert");
    cell.after(slot);
  }
  return slot;
}

function send(some, value, before) {
  faultOf(some[0]).textContent = "";
  const values = { kind: "dictionary.cells", cells: some.map(cell => cell.id).join(","), value };
  htmx.ajax("POST", edits, { source: some[0], target: "#dictionary-progress", swap: "outerHTML", values }).catch(() => {});
  some[0].addEventListener("htmx:afterRequest", event => {
    if (event.detail.successful) { faultOf(some[0]).remove(); return; }
    // what could not be kept stays in its cell, marked, and can be written again
    some.forEach(cell => cell.classList.add("unkept"));
    if (some.length > 1) some.forEach((cell, at) => show(cell, before[at]));
  }, { once: true });
}

function close(keep) {
  if (!open) return;
  const { cell, field } = open, text = field.value.trim(), changed = text !== words(cell);
  open = null;
  field.remove();
  cell.hidden = false;
  if (!keep || !changed) return;
  const before = [words(cell)];
  show(cell, text);
  cell.classList.remove("unkept");
  send([cell], text, before);
}

function edit(cell) {
  close(true);
  const field = document.createElement("input");
  field.className = "cell-field";
  field.value = words(cell);
  field.setAttribute("aria-label", cell.getAttribute("aria-label").replace(/:.*/, ""));
  cell.hidden = true;
  cell.before(field);
  open = { cell, field };
  field.focus();
  field.select();
  field.addEventListener("blur", () => { if (open && open.field === field) close(true); });
  field.addEventListener("paste", event => paste(event, cell));
  field.addEventListener("keydown", event => {
    if (event.key === "Escape") { event.preventDefault(); close(false); cell.focus(); }
    if (event.key === "Enter" || event.key === "ArrowDown" || event.key === "ArrowUp") {
      event.preventDefault();
      const all = cells(column(cell)), next = all[all.indexOf(cell) + (event.key === "ArrowUp" ? -1 : 1)];
      close(true);
      if (next) { edit(next); next.closest("tr, .what").scrollIntoView({ block: "nearest" }); } else cell.focus();
    }
  });
}

function paste(event, cell) {
  const text = event.clipboardData.getData("text").replace(/\r\n?/g, "\n").replace(/\n+$/, "");
  if (!text.includes("\n")) return;
  event.preventDefault();
  const lines = text.split("\n"), all = cells(column(cell)), some = all.slice(all.indexOf(cell), all.indexOf(cell) + lines.length);
  close(false);
  const before = some.map(words);
  if (some.length === lines.length) some.forEach((one, at) => show(one, lines[at].trim()));
  send(some.length > 1 ? some : [some[0]], lines.map(line => line.trim()).join("\n"), before);
  some[some.length - 1].focus();
}

book.addEventListener("click", event => { const cell = event.target.closest(".cell"); if (cell) edit(cell); });
book.addEventListener("keydown", event => {
  const cell = event.target.closest(".cell");
  if (cell && (event.key === "Enter" || event.key === "F2")) { event.preventDefault(); edit(cell); }
});
function next() {
  close(true);
  const all = cells("").filter(cell => cell.classList.contains("none")), at = document.activeElement.closest?.(".cell");
  const after = at ? all.find(cell => at.compareDocumentPosition(cell) & Node.DOCUMENT_POSITION_FOLLOWING) : null, cell = after || all[0];
  if (!cell) { document.getElementById("notice").textContent = "Everything that is shown has a meaning."; return; }
  cell.scrollIntoView({ block: "center" });
  edit(cell);
}
document.getElementById("next-undescribed").addEventListener("click", next);
document.addEventListener("keydown", event => { if (event.altKey && event.key.toLowerCase() === "n") { event.preventDefault(); next(); } });

// a class on the desk for each part that is not shown: :has() would make the browser look at the whole page again for each row that scrolls in
const shown = document.querySelector(".shown-columns"), without = box => document.getElementById("dictionary-desk").classList.toggle("without-" + box.value, !box.checked);
shown.querySelectorAll("input").forEach(without);
shown.addEventListener("change", event => without(event.target));

const options = document.getElementById("options");
let soon = 0;
async function again() {
  const address = "?" + new URLSearchParams(new FormData(options)), answer = await fetch(location.pathname + address);
  if (!answer.ok) return;
  close(true);
  book.replaceChildren(...document.adoptNode(new DOMParser().parseFromString(await answer.text(), "text/html").getElementById("book")).childNodes);
  history.replaceState(null, "", address);
}
options.addEventListener("input", event => { clearTimeout(soon); soon = setTimeout(again, event.target.type === "search" ? 200 : 0); });
options.addEventListener("submit", event => { event.preventDefault(); again(); });
document.querySelector(".entry-of.chosen")?.scrollIntoView();
