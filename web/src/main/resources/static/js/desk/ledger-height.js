// Height of the ledger: kept for each kind of thing that it is about; without a selection it is one line until a part of it is opened.
const sash = document.getElementById("sash"), ledger = sash.parentElement;
export const height = () => ledger.offsetHeight;
const about = () => (document.querySelector("#ledger .about")?.id || "about-design").slice("about-".length);
export function size(h) {
  const limited = Math.max(90, Math.min(window.innerHeight - 220, h));
  document.documentElement.style.setProperty("--ledger", limited + "px");
  sash.setAttribute("aria-valuenow", String(Math.round(limited)));
  localStorage.setItem("entaxis.ledger." + about(), String(limited));
}
// Gives the ledger the height that it had when it was last about such a thing.
export function sized() {
  const remembered = Number(localStorage.getItem("entaxis.ledger." + about()));
  if (remembered) size(remembered); else document.documentElement.style.removeProperty("--ledger");
}
sash.addEventListener("pointerdown", event => {
  sash.setPointerCapture(event.pointerId);
  const from = event.clientY, was = height();
  const move = e => size(was + from - e.clientY);
  sash.addEventListener("pointermove", move);
  sash.addEventListener("pointerup", () => sash.removeEventListener("pointermove", move), { once: true });
});
document.addEventListener("htmx:afterSwap", event => { if (event.detail.target.id === "ledger") sized(); });

sized();
