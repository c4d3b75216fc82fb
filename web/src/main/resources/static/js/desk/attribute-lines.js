// Attribute lines: the field is free for the next line at once; a line that is refused comes back into it.
import { address, desk, kept } from "./page.js";

export function addLines(field) {
  const text = field.value, owner = desk.dataset.selected;
  if (!text.trim()) return;
  field.value = "";
  grow(field);
  const back = event => {
    if (event.detail.elt !== field || event.detail.requestConfig.parameters.value !== text) return;
    document.removeEventListener("htmx:afterRequest", back);
    const now = document.getElementById("add-line");
    if (kept(event)) {
      now?.scrollIntoView({ block: "nearest" });
    } else if (now) {
      now.value = now.value.trim() ? text + "\n" + now.value : text;
      grow(now);
    }
  };
  document.addEventListener("htmx:afterRequest", back);
  htmx.ajax("POST", address + "/edits", { source: field, target: "#ledger", swap: "morph:innerHTML", values: { kind: "attribute.add", owner, value: text } });
}
document.addEventListener("input", event => { if (event.target.id === "add-line") grow(event.target); });
document.addEventListener("paste", event => {
  if (event.target.id === "add-line" && /\n\s*\S/.test(event.clipboardData.getData("text").trim()) && !event.target.value.trim()) {
    setTimeout(() => addLines(event.target));
  }
});
function grow(area) { area.rows = Math.min(8, area.value.split("\n").length); }
