// The read-aloud list: printing, and sentences that go into the list as soon as they are made.
import "./together.js";

document.addEventListener("click", event => { if (event.target.closest("[data-print]")) window.print(); });
document.addEventListener("htmx:afterRequest", event => {
  if (event.detail.elt.id === "say" && event.detail.successful && event.detail.xhr.status < 400) document.getElementById("say-text").value = "";
});
