// The filter of the contents, which stays when they are exchanged.
let filtered = "";

export function filter() {
  const field = document.getElementById("filter"), wanted = (field ? field.value : filtered).trim().toLowerCase();
  filtered = wanted;
  document.querySelectorAll("#contents section").forEach(section => {
    let any = false;
    section.querySelectorAll(".entry").forEach(entry => {
      const shown = entry.textContent.toLowerCase().includes(wanted);
      entry.parentElement.hidden = !shown;
      any = any || shown;
    });
    section.hidden = !any;
  });
}
document.addEventListener("input", event => { if (event.target.id === "filter") filter(); });
