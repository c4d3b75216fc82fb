(() => {
  const field = document.getElementById("search"), found = document.getElementById("found"), all = [...document.querySelectorAll(".entity")];
  const texts = all.map(entity => entity.textContent.toLowerCase());
  field.addEventListener("input", () => {
    const words = field.value.toLowerCase().split(/\s+/).filter(Boolean);
    let shown = 0;
    all.forEach((entity, at) => { const has = words.every(word => texts[at].includes(word)); entity.hidden = !has; if (has) shown++; });
    document.querySelectorAll(".part").forEach(part => { part.hidden = words.length > 0 && !part.querySelector(".entity:not([hidden])"); });
    document.querySelectorAll(".sheet, nav").forEach(part => { part.hidden = words.length > 0; });
    found.textContent = words.length ? shown + " of " + all.length : "";
  });
})();
