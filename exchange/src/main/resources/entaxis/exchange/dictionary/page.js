(() => {
  const field = document.getElementById("search"), found = document.getElementById("found");

  // Most entities wait as text, so that a large page is there at once; they come in whenever the browser has nothing else to do.
  const waiting = [...document.querySelectorAll("noscript.later")], idle = window.requestIdleCallback || (work => setTimeout(work, 30));
  const bring = group => { group.insertAdjacentHTML("beforebegin", group.textContent); group.remove(); };
  const bringAll = () => waiting.splice(0).forEach(bring);
  const bringNext = () => { if (waiting.length) { bring(waiting.shift()); idle(bringNext); } };
  const plain = hash => { try { return decodeURIComponent(hash.slice(1)); } catch { return hash.slice(1); } };
  const missing = hash => waiting.length > 0 && hash.length > 1 && !document.getElementById(plain(hash));
  document.addEventListener("click", event => { const link = event.target.closest('a[href^="#"]'); if (link && missing(link.hash)) bringAll(); });
  window.addEventListener("hashchange", () => { if (missing(location.hash)) { bringAll(); location.replace(location.hash); } });
  window.addEventListener("beforeprint", bringAll);
  if (missing(location.hash)) { bringAll(); location.replace(location.hash); }
  idle(bringNext);

  let all = null, texts = null;
  field.addEventListener("input", () => {
    if (!all) {
      bringAll();
      all = [...document.querySelectorAll(".entity")];
      texts = all.map(entity => entity.textContent.toLowerCase());
    }
    const words = field.value.toLowerCase().split(/\s+/).filter(Boolean);
    let shown = 0;
    all.forEach((entity, at) => { const has = words.every(word => texts[at].includes(word)); entity.hidden = !has; if (has) shown++; });
    document.querySelectorAll(".part").forEach(part => { part.hidden = words.length > 0 && !part.querySelector(".entity:not([hidden])"); });
    document.querySelectorAll(".sheet, nav").forEach(part => { part.hidden = words.length > 0; });
    found.textContent = words.length ? shown + " of " + all.length : "";
  });
})();
