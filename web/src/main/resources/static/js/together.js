// Other windows on the same design: the server tells of a new revision, and the page asks for what changed. On desks other than the Diagram, where typed text may not
// be kept yet, a page with such text only says that there is something new.
const desk = document.getElementById("desk"), diagram = !desk.dataset.desk || desk.dataset.desk === "diagram";
let wanted = 0, asking = false, typedAt = -1, requests = 0;
const shown = () => Number(document.getElementById("keeping").dataset.revision);

document.addEventListener("input", event => { if (event.target.matches("main textarea, main input:not([type=checkbox]):not([type=radio])")) typedAt = shown(); });

document.addEventListener("htmx:beforeRequest", () => { requests++; });
const writing = () => typedAt >= shown() || document.getElementById("typed-text");

// The desk as the server shows it now, with the options that were chosen on it; scroll and focus stay.
async function refresh() {
  const options = document.getElementById("options"), before = requests;
  const answer = await fetch(location.pathname + (options ? "?" + new URLSearchParams(new FormData(options)) : location.search));
  if (!answer.ok) return;
  const text = await answer.text();
  // somebody has gone on meanwhile: what is on the page is newer than this answer, or not kept yet
  if (writing() || requests !== before) return;
  const page = new DOMParser().parseFromString(text, "text/html"), main = document.querySelector("main"), keeping = document.getElementById("keeping");
  Idiomorph.morph(main, page.querySelector("main"), { morphStyle: "innerHTML", callbacks: { beforeNodeMorphed: now => !now.dataset?.own } });
  keeping.replaceWith(page.getElementById("keeping"));
  htmx.process(main);
  htmx.process(document.getElementById("keeping"));
}

function ask() {
  // an answer to an edit of this window is usually on its way and brings the same
  if (asking || wanted <= shown() || document.querySelector(".htmx-request")) return;
  if (!diagram && writing()) {
    document.getElementById("notice").textContent = `Another window has changed this design (revision ${wanted}). Your text is still here; reload the page to see the change.`;
    return;
  }
  asking = true;
  const answer = diagram ? htmx.ajax("POST", `/designs/${desk.dataset.design}/since`, { source: document.getElementById("sheet"), target: "#ledger", swap: "morph:innerHTML" })
    : refresh();
  answer.catch(() => {}).finally(() => { asking = false; });
}
const events = new EventSource(`/designs/${desk.dataset.design}/events`);
events.addEventListener("revision", event => {
  wanted = Math.max(wanted, Number(event.data));
  setTimeout(ask, 120);
  setTimeout(ask, 600);
});
addEventListener("beforeunload", () => events.close());

// undo and redo by keyboard, where the text field in use has none of its own
if (!diagram) document.addEventListener("keydown", event => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== "z" || event.target.matches("textarea, input:not([type=checkbox]):not([type=radio])")) return;
  event.preventDefault();
  document.getElementById(event.shiftKey ? "redo" : "undo").click();
});
