// What every page needs around an edit: which revision the page shows, typed text that must survive, and the word when the server does not answer.
const desk = () => document.getElementById("desk");
// tells this window's edits from those of others
const windowId = Array.from(crypto.getRandomValues(new Uint8Array(9)), byte => (byte % 36).toString(36)).join("");

document.addEventListener("htmx:configRequest", event => {
  const page = desk();
  if (!page || event.detail.verb !== "post") return;
  const keeping = document.getElementById("keeping");
  event.detail.parameters.window = windowId;
  event.detail.parameters.seen = keeping ? keeping.dataset.revision : "";
  event.detail.parameters.lens = page.dataset.lens || "";
  event.detail.parameters.desk = page.dataset.desk || "diagram";
  event.detail.parameters.sel = page.dataset.selected || "";
  event.detail.parameters.sheet = page.dataset.sheet || "";
  event.detail.parameters.leaf = page.dataset.leaf || "";
});

// A field whose text was refused keeps it, and its message, until it is sent again.
document.addEventListener("htmx:beforeRequest", event => {
  const field = event.detail.elt;
  if (field.id) {
    delete field.dataset.refused;
    field.removeAttribute("aria-invalid");
    const slot = document.getElementById(field.id + "-fault");
    if (slot) slot.replaceChildren();
  }
  const notice = document.getElementById("notice");
  if (notice) notice.replaceChildren();
});
// A field that was changed and whose edit is still on its way, perhaps behind others, is not touched by answers to those.
document.addEventListener("change", event => {
  if (event.target.id && event.target.hasAttribute("hx-post")) event.target.dataset.pending = "true";
}, true);
document.addEventListener("htmx:beforeSwap", event => {
  const field = event.detail.requestConfig.elt;
  delete field.dataset.pending;
  // a store that cannot take the edit at this moment says so at the top of the page, and what was typed stays too
  if (event.detail.xhr.status === 503) lost("Not kept: the store takes no edits");
  if ((event.detail.xhr.status === 422 || event.detail.xhr.status === 503) && field.id) {
    field.dataset.refused = "true";
    field.setAttribute("aria-invalid", "true");
  }
});

// what takes longer than a moment says so
let waiting = 0, slow = 0;
document.addEventListener("htmx:beforeRequest", () => {
  if (++waiting === 1) slow = setTimeout(() => document.getElementById("keeping")?.classList.add("busy"), 500);
});
document.addEventListener("htmx:afterRequest", () => {
  if (--waiting > 0) return;
  waiting = 0;
  clearTimeout(slow);
  document.getElementById("keeping")?.classList.remove("busy");
});

const held = node => Boolean(node.dataset && (node.dataset.refused || node.dataset.pending));

const lost = message => {
  const keeping = document.getElementById("keeping");
  if (!keeping) return;
  keeping.classList.add("lost");
  document.getElementById("kept").textContent = message;
};
document.addEventListener("htmx:sendError", event => {
  event.detail.elt.dataset.refused = "true";
  lost("Not kept: the server does not answer");
});
document.addEventListener("htmx:afterRequest", event => {
  const keeping = document.getElementById("keeping");
  if (keeping && event.detail.successful) keeping.classList.remove("lost");
});

// what was typed into the line for a new one stands in a line of its own now
document.addEventListener("htmx:afterRequest", ({ detail }) => {
  const field = detail.elt;
  const sent = detail.requestConfig.parameters.value;
  if (detail.successful && field.id.endsWith("-new") && field.value === sent) field.value = "";
});

document.addEventListener("DOMContentLoaded", () => {
  if (!window.Idiomorph) return;
  Idiomorph.defaults.ignoreActiveValue = true;
  Idiomorph.defaults.callbacks.beforeNodeMorphed = (node, now) => {
    if (node.nodeType !== Node.ELEMENT_NODE) return true;
    // a drawing, and rows that are only read, are exchanged whole: nothing in them can have been typed
    if (node.matches("svg.drawn, .harm > table")) {
      if (node.outerHTML !== now.outerHTML) node.replaceWith(now.cloneNode(true));
      return false;
    }
    if (held(node)) return false;
    if (node.id && node.id.endsWith("-fault")) {
      const field = document.getElementById(node.id.slice(0, -"-fault".length));
      if (field && held(field)) return false;
    }
    return true;
  };
  // what somebody has opened stays open
  Idiomorph.defaults.callbacks.beforeAttributeUpdated = (name, node) => !(name === "open" && node.tagName === "DETAILS");
  Idiomorph.defaults.callbacks.afterNodeMorphed = (node, now) => {
    // a field that is not being typed in shows what was kept, also where the browser thinks that it was changed by hand
    if (node.nodeType !== Node.ELEMENT_NODE || held(node)) return;
    if (node.tagName === "INPUT" && node.type !== "hidden" && node !== document.activeElement) node.value = now.getAttribute("value") || "";
    if (node.tagName === "SELECT") {
      const chosen = now.querySelector("option[selected]");
      if (chosen) node.value = chosen.value;
    }
  };
});
