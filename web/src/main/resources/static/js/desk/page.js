// The desk itself: its address, edits that it sends, and what it says to whoever works at it.
export const desk = document.getElementById("desk");
export const sheet = document.getElementById("sheet");
export const address = "/designs/" + desk.dataset.design;

/** Whether a request was answered and what it asked for is kept. */
export const kept = event => event.detail.successful && event.detail.xhr.status < 400;
/** Sends an edit; the answer goes into the ledger. */
export const post = (path, values, source) => htmx.ajax("POST", address + path, { source: source || sheet, target: "#ledger", swap: "morph:innerHTML", values });

export function say(text) {
  const line = document.createElement("p");
  line.className = "message";
  line.textContent = text;
  document.getElementById("notice").replaceChildren(line);
}
