// Choosing tables: a filter over the list, ticks for all that it shows, and how many are chosen.
document.addEventListener("alpine:init", () => {
  Alpine.data("chooser", () => ({
    summary: "",
    init() { this.count(); },
    ticks() { return [...this.$root.querySelectorAll(".tick")]; },
    count() {
      const boxes = this.ticks().map(tick => tick.querySelector("input"));
      this.summary = `${boxes.filter(box => box.checked).length} of ${boxes.length} chosen`;
    },
    filter(event) {
      const wanted = event.target.value.trim().toLowerCase();
      this.ticks().forEach(tick => { tick.hidden = !tick.querySelector("input").value.toLowerCase().includes(wanted); });
    },
    all() { this.tick(true); },
    none() { this.tick(false); },
    tick(on) {
      this.ticks().filter(tick => !tick.hidden).forEach(tick => { tick.querySelector("input").checked = on; });
      this.count();
    },
    stay() { /* Enter in the filter sends nothing */ }
  }));
});
