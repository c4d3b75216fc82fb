"use strict";
// Files are opened as soon as they are chosen, or dropped anywhere on the page; a search hides designs of other names.
(() => {
  const form = document.getElementById("open-form"), field = document.getElementById("open-file"), find = document.getElementById("find-design");
  field.addEventListener("change", () => { if (field.files.length) form.requestSubmit(); });
  document.addEventListener("dragover", event => { if ([...event.dataTransfer.types].includes("Files")) { event.preventDefault(); document.body.classList.add("dropping"); } });
  document.addEventListener("dragleave", event => { if (!event.relatedTarget) document.body.classList.remove("dropping"); });
  document.addEventListener("drop", event => {
    document.body.classList.remove("dropping");
    if (!event.dataTransfer.files.length) return;
    event.preventDefault();
    field.files = event.dataTransfer.files;
    form.requestSubmit();
  });
  find?.addEventListener("input", () => {
    const words = find.value.toLowerCase();
    document.querySelectorAll(".designs > article").forEach(card => { card.hidden = !card.textContent.toLowerCase().includes(words) && ![...card.querySelectorAll("input")].some(input => input.value.toLowerCase().includes(words)); });
  });
})();
