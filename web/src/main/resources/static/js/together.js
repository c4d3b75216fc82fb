// Other windows on the same design: the server tells of a new revision, and the page asks for what changed.
(function () {
  "use strict";
  const desk = document.getElementById("desk");
  let wanted = 0, asking = false;
  const shown = () => Number(document.getElementById("keeping").dataset.revision);
  function ask() {
    // an answer to an edit of this window is usually on its way and brings the same
    if (asking || wanted <= shown() || document.querySelector(".htmx-request")) return;
    asking = true;
    htmx.ajax("POST", `/designs/${desk.dataset.design}/since`, { source: document.getElementById("sheet"), target: "#ledger", swap: "morph:innerHTML" })
      .catch(() => {}).finally(() => { asking = false; });
  }
  const events = new EventSource(`/designs/${desk.dataset.design}/events`);
  events.addEventListener("revision", event => {
    wanted = Math.max(wanted, Number(event.data));
    setTimeout(ask, 120);
    setTimeout(ask, 600);
  });
  addEventListener("beforeunload", () => events.close());
})();
