// Saving the sheet: what the form asks for follows the desk; a file that is ready is fetched at once.
const desk = document.getElementById("desk"), dialog = document.getElementById("picture"), form = document.getElementById("picture-form");
const line = document.getElementById("saved-file");

function settle() {
  const format = form.elements.format.value;
  form.dataset.format = format;
  form.querySelectorAll(".for-pdf").forEach(part => { part.hidden = format !== "PDF"; });
  form.querySelectorAll(".for-pixels").forEach(part => { part.hidden = format !== "PNG" && format !== "JPEG"; });
  form.querySelectorAll(".for-transparent").forEach(part => { part.hidden = format !== "PNG" && format !== "SVG"; });
}

/** Opens the dialog for what is shown and selected now. */
export function openPicture() {
  const chosen = desk.dataset.selected, some = document.getElementById("picture-some");
  document.getElementById("picture-sheet").value = desk.dataset.sheet;
  document.getElementById("picture-selected").value = chosen;
  document.getElementById("picture-lens").value = desk.dataset.lens;
  some.disabled = !chosen;
  if (!chosen && some.checked) form.elements.part.value = "SHEET";
  if (chosen.includes(",")) form.elements.part.value = "SELECTION";
  line.textContent = "";
  settle();
  dialog.showModal();
}

form.addEventListener("change", settle);
document.getElementById("picture-close").addEventListener("click", () => dialog.close());
const pause = time => new Promise(done => { setTimeout(done, time); });
async function copied() {
  const body = new FormData(form);
  body.set("format", "PNG");
  if (form.elements.format.value !== "PNG") body.set("scale", "2");
  const headers = JSON.parse(desk.getAttribute("hx-headers"));
  let answer = await fetch(form.getAttribute("hx-post"), { method: "POST", body, headers });
  for (;;) {
    const part = new DOMParser().parseFromString(await answer.text(), "text/html"), ready = part.querySelector(".file-ready"), fault = part.querySelector(".fault");
    if (fault) throw new Error(fault.textContent);
    if (ready) return (await fetch(ready.getAttribute("href"))).blob();
    await pause(300);
    answer = await fetch(part.querySelector(".file-work").getAttribute("hx-get"));
  }
}
document.getElementById("picture-copy").addEventListener("click", async () => {
  line.textContent = "Drawing …";
  try {
    await navigator.clipboard.write([new ClipboardItem({ "image/png": copied() })]);
    line.textContent = "Copied. Paste it where it is needed.";
  } catch (e) {
    line.textContent = "It could not be copied: " + (e.message || "the browser does not allow it") + ". Save it as PNG instead.";
  }
});
