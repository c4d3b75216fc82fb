// A file that is ready is fetched at once; the link stays for fetching it again.
document.addEventListener("htmx:afterSettle", () => {
  const ready = document.querySelector(".file-ready:not([data-fetched])");
  if (ready) { ready.dataset.fetched = "true"; ready.click(); }
});
document.addEventListener("click", event => { if (event.target.closest("[data-print]")) window.print(); });
