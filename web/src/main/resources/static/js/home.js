// Files are opened as soon as they are chosen, or dropped anywhere on the page; a search hides designs of other names.
const form = document.getElementById("open-form"), field = document.getElementById("open-file");
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

document.addEventListener("alpine:init", () => {
  Alpine.data("finder", () => ({
    look(event) {
      const words = event.target.value.toLowerCase();
      document.querySelectorAll(".designs > article").forEach(card => {
        card.hidden = ![card.textContent, ...[...card.querySelectorAll("input")].map(input => input.value)].some(text => text.toLowerCase().includes(words));
      });
    }
  }));
});
