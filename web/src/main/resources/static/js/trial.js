// The Trial desk: Ctrl+Enter asks, and after a row went in the next one can be typed at once.
import "./rows.js";
import "./together.js";

const kept = event => event.detail.successful && event.detail.xhr.status < 400;
document.addEventListener("keydown", event => {
  if (event.target.id === "question" && event.key === "Enter" && (event.ctrlKey || event.metaKey)) {
    event.preventDefault();
    document.getElementById("ask").requestSubmit();
  }
});
document.addEventListener("htmx:afterRequest", event => {
  if (event.detail.elt.id !== "row-form" || !kept(event)) return;
  if (document.querySelector("#inserted .good")) {
    document.querySelectorAll("#row-form .cells input").forEach(input => { input.value = ""; });
    document.querySelector("#row-form .cells input")?.focus();
  }
});
