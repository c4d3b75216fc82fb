// Choosing tables: a filter over the list, ticks for all that it shows, and how many are chosen.
(() => {
  const field = document.getElementById("choose-filter"), count = document.getElementById("choose-count");
  if (!field) return;
  const ticks = [...document.querySelectorAll("#choose-tables .tick")];
  const box = tick => tick.querySelector("input");
  const counted = () => { count.textContent = ticks.filter(tick => box(tick).checked).length + " of " + ticks.length + " chosen"; };
  field.addEventListener("input", () => {
    const wanted = field.value.trim().toLowerCase();
    ticks.forEach(tick => { tick.hidden = !box(tick).value.toLowerCase().includes(wanted); });
  });
  field.addEventListener("keydown", event => { if (event.key === "Enter") event.preventDefault(); });
  document.querySelectorAll("[data-choose]").forEach(button => button.addEventListener("click", () => {
    ticks.filter(tick => !tick.hidden).forEach(tick => { box(tick).checked = button.dataset.choose === "all"; });
    counted();
  }));
  document.getElementById("choose-tables").addEventListener("change", counted);
  counted();
})();
