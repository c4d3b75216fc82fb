// The Diagram desk: keys, selection and focus around the sheet, the contents and the ledger.
(function () {
  "use strict";
  const desk = document.getElementById("desk"), sheet = document.getElementById("sheet"), drawing = window.entaxisSheet;
  desk.dataset.selected = desk.dataset.selected || "";
  const address = "/designs/" + desk.dataset.design;
  const namer = document.getElementById("namer"), namerName = document.getElementById("namer-name");
  let relating = false, focusAfter = "";

  const kept = event => event.detail.successful && event.detail.xhr.status < 400;
  const post = (path, values, source) => htmx.ajax("POST", address + path, { source: source || sheet, target: "#ledger", swap: "morph:innerHTML", values });

  // selection
  function select(id, focus) {
    if (relating && id.startsWith("e")) { relate(desk.dataset.selected, id); return; }
    relating = false;
    desk.dataset.selected = id;
    drawing.mark(id);
    mirror();
    focusAfter = focus || "";
    htmx.ajax("GET", `${address}/ledger?sel=${encodeURIComponent(id)}`, { source: sheet, target: "#ledger", swap: "innerHTML" });
    history.replaceState(null, "", `${address}?lens=${desk.dataset.lens}${id ? "&sel=" + id : ""}`);
  }
  function mirror() {
    document.querySelectorAll("#contents .entry").forEach(entry => {
      const here = entry.dataset.select === desk.dataset.selected;
      entry.classList.toggle("chosen", here);
      if (here) { entry.setAttribute("aria-current", "true"); entry.scrollIntoView({ block: "nearest" }); } else entry.removeAttribute("aria-current");
    });
    document.querySelectorAll(".desks a").forEach(link => {
      const url = new URL(link.href);
      url.searchParams.set("sel", desk.dataset.selected);
      link.href = url.pathname + url.search;
    });
  }
  document.addEventListener("click", event => {
    const chooser = event.target.closest("[data-select]");
    if (chooser) { select(chooser.dataset.select); drawing.reveal(chooser.dataset.select); }
    const tool = event.target.closest("[data-do]");
    if (tool) act(tool.dataset.do);
    const lens = event.target.closest("[data-lens]");
    if (lens && lens !== desk) look(lens.dataset.lens);
  });

  function look(lens) {
    desk.dataset.lens = lens;
    document.querySelectorAll(".lens button").forEach(button => button.setAttribute("aria-pressed", String(button.dataset.lens === lens)));
    htmx.ajax("GET", `${address}/sheet?lens=${lens}`, { source: sheet, target: "#sheet-patch", swap: "none" });
    history.replaceState(null, "", `${address}?lens=${lens}${desk.dataset.selected ? "&sel=" + desk.dataset.selected : ""}`);
  }

  // answers
  document.addEventListener("htmx:oobAfterSwap", event => {
    if (event.detail.target.id === "sheet-patch" || event.detail.elt && event.detail.elt.id === "sheet-patch") drawing.patch(document.getElementById("sheet-patch"));
    if (event.detail.target.id === "contents") mirror();
  });
  document.addEventListener("htmx:afterSettle", event => {
    if (event.detail.target.id !== "ledger") return;
    const about = document.querySelector("#ledger .about");
    if (about && about.id === "about-design" && desk.dataset.selected) { desk.dataset.selected = ""; drawing.mark(""); mirror(); }
    if (focusAfter) {
      const field = document.getElementById(focusAfter);
      focusAfter = "";
      if (field) { field.focus(); if (field.select) field.select(); }
    }
  });
  document.addEventListener("entaxis:selected", event => {
    const id = event.detail.value || "";
    desk.dataset.selected = id;
    drawing.mark(id);
    drawing.reveal(id);
    mirror();
    history.replaceState(null, "", `${address}?lens=${desk.dataset.lens}${id ? "&sel=" + id : ""}`);
    if (id.startsWith("e")) document.getElementById("add-line")?.focus();
    if (id.startsWith("r")) document.getElementById("verb-FIRST")?.select();
    if (!id) sheet.focus();
  });
  document.addEventListener("htmx:responseError", event => {
    const config = event.detail.requestConfig;
    if (config && config.parameters && config.parameters.kind === "cards.place") moving.forEach(id => drawing.back(id));
  });

  // making
  function name(kind, at, id, text) {
    document.getElementById("namer-kind").value = kind;
    document.getElementById("namer-entity").value = id || "";
    const screen = kind === "entity.add" ? at : drawing.toScreen(at.x, at.y);
    const onSheet = kind === "entity.add" ? drawing.toSheet(at.x, at.y) : at;
    document.getElementById("namer-x").value = Math.round(onSheet.x);
    document.getElementById("namer-y").value = Math.round(onSheet.y);
    namer.hidden = false;
    namer.style.left = Math.max(4, Math.min(screen.x, sheet.clientWidth - 230)) + "px";
    namer.style.top = Math.max(36, Math.min(screen.y, sheet.clientHeight - 60)) + "px";
    namerName.value = text || "";
    document.getElementById("namer-fault").replaceChildren();
    namerName.focus();
    namerName.select();
  }
  namer.addEventListener("htmx:afterRequest", event => {
    if (kept(event)) {
      namer.hidden = true;
      if (document.getElementById("namer-kind").value === "entity.name") sheet.focus();
    }
  });
  namerName.addEventListener("keydown", event => {
    if (event.key === "Escape") { namer.hidden = true; sheet.focus(); event.stopPropagation(); }
  });
  drawing.on.create = at => name("entity.add", { x: at.sx, y: at.sy });
  drawing.on.rename = id => {
    if (!id.startsWith("e")) return;
    const card = drawing.cards.get(id), entry = document.querySelector(`#contents [data-select="${CSS.escape(id)}"]`);
    name("entity.name", { x: +card.dataset.x, y: +card.dataset.y }, id, entry ? entry.textContent : "");
  };
  drawing.on.select = id => select(id);
  const moving = new Set();
  drawing.on.moved = (id, x, y) => {
    moving.add(id);
    post("/edits", { kind: "cards.place", value: `${id}:${x},${y}` }).then(() => { moving.delete(id); if (drawing.cards.has(id)) drawing.unfollow(id); });
  };
  drawing.on.linked = relate;
  function relate(first, second) {
    relating = false;
    sheet.classList.remove("relating");
    post("/edits", { kind: "relationship.add", first, second });
  }
  function free() {
    const c = drawing.centre();
    let at = { x: c.x - 70, y: c.y - 40 };
    for (let ring = 0; ring < 12; ring++) {
      const p = drawing.toSheet(at.x, at.y);
      const taken = [...drawing.cards.values()].some(card => +card.dataset.x < p.x + 190 && +card.dataset.x + +card.dataset.w > p.x - 30
        && +card.dataset.y < p.y + 130 && +card.dataset.y + +card.dataset.h > p.y - 30);
      if (!taken) return at;
      const angle = ring * 2.4, out = 60 + ring * 34;
      at = { x: c.x - 70 + Math.cos(angle) * out, y: c.y - 40 + Math.sin(angle) * out * 0.6 };
    }
    return at;
  }

  function act(what) {
    const chosen = desk.dataset.selected;
    switch (what) {
      case "entity": name("entity.add", free()); break;
      case "relate":
        if (!chosen.startsWith("e")) return say("Select the entity to relate first: click its card, or C and the arrows.");
        relating = true;
        document.getElementById("relate-to")?.focus();
        break;
      case "arrange": post("/arrange", {}).then(() => setTimeout(drawing.fit, 30)); break;
      case "fit": drawing.fit(); break;
      case "closer": { const c = drawing.centre(); drawing.zoom(1.2, c.x, c.y); break; }
      case "farther": { const c = drawing.centre(); drawing.zoom(1 / 1.2, c.x, c.y); break; }
      case "turn": if (chosen.startsWith("r")) post("/edits", { kind: "relationship.turn", relationship: chosen }); break;
      case "rename": if (drawing.cards.has(chosen)) drawing.on.rename(chosen); break;
      case "delete":
        if (chosen.startsWith("e")) post("/edits", { kind: "entity.remove", entity: chosen });
        if (chosen.startsWith("r")) post("/edits", { kind: "relationship.remove", relationship: chosen });
        break;
      case "lens": look(desk.dataset.lens === "tables" ? "concept" : "tables"); break;
      case "add": document.getElementById("add-line")?.focus(); break;
      case "keys": document.getElementById("keys").showModal(); break;
      case "contents": (document.querySelector("#contents .chosen") || document.querySelector("#contents .entry"))?.focus(); break;
      case "undo": post("/undo", {}); break;
      case "redo": post("/redo", {}); break;
    }
  }
  function say(text) {
    const line = document.createElement("p");
    line.className = "message";
    line.textContent = text;
    document.getElementById("notice").replaceChildren(line);
  }

  // keys
  const KEYS = { e: "entity", r: "relate", g: "arrange", 0: "fit", "+": "closer", "=": "closer", "-": "farther", t: "turn", n: "rename", l: "lens", a: "add", "?": "keys", c: "contents", Delete: "delete" };
  const ARROWS = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };
  document.addEventListener("keydown", event => {
    const field = event.target.closest("input, textarea, select");
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    if ((event.ctrlKey || event.metaKey) && key === "z") {
      const typing = field && field.tagName !== "SELECT" && field.value !== field.defaultValue;
      if (typing) return;
      event.preventDefault();
      act(event.shiftKey ? "redo" : "undo");
      return;
    }
    if (event.target.closest("dialog")) return;
    if (field) { inField(event, field); return; }
    if (event.key === "Escape") {
      if (relating) relating = false; else if (document.activeElement === sheet) select("");
      sheet.focus();
      return;
    }
    const entry = event.target.closest("#contents .entry");
    if (entry && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
      const all = [...document.querySelectorAll("#contents .entry")];
      const next = all[all.indexOf(entry) + (event.key === "ArrowDown" ? 1 : -1)];
      if (next) { next.focus(); select(next.dataset.select); drawing.reveal(next.dataset.select); }
      event.preventDefault();
      return;
    }
    if (event.target.id === "sash" && (event.key === "ArrowUp" || event.key === "ArrowDown")) { size(height() + (event.key === "ArrowUp" ? 20 : -20)); event.preventDefault(); return; }
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.target.closest("button, a") && (event.key === "Enter" || event.key === " ")) return;
    if (ARROWS[event.key]) { drawing.pan(ARROWS[event.key][0] * 60, ARROWS[event.key][1] * 60); event.preventDefault(); return; }
    if (KEYS[key]) { event.preventDefault(); act(KEYS[key]); }
  });

  function inField(event, field) {
    const row = field.closest("tr[data-part]");
    if (event.key === "Escape") {
      if (field.id === "namer-name") return;
      relating = false;
      if (field.tagName !== "SELECT") { field.value = field.defaultValue; delete field.dataset.refused; document.getElementById(field.id + "-fault")?.replaceChildren(); }
      sheet.focus();
    } else if (field.id === "add-line" && event.key === "Enter" && !event.shiftKey) {
      event.preventDefault();
      addLines(field);
    } else if (row && event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
      event.preventDefault();
      post("/edits", { kind: "attribute.move", owner: desk.dataset.selected, part: row.dataset.part, by: event.key === "ArrowUp" ? -1 : 1 });
    } else if (row && event.ctrlKey && event.key === "Delete") {
      event.preventDefault();
      if (!row.classList.contains("foreign")) {
        focusAfter = "add-line";
        post("/edits", { kind: "attribute.remove", owner: desk.dataset.selected, attribute: row.dataset.part });
      }
    } else if (row && field.tagName === "INPUT" && (event.key === "Enter" || !event.altKey && (event.key === "ArrowDown" || event.key === "ArrowUp") && !field.list)) {
      const cell = field.closest("td").cellIndex, rows = [...row.parentElement.rows];
      const next = rows[rows.indexOf(row) + (event.key === "ArrowUp" ? -1 : 1)];
      const target = next ? next.cells[Math.min(cell, next.cells.length - 1)].querySelector("input, select") : event.key === "ArrowUp" ? null : document.getElementById("add-line");
      if (target) setTimeout(() => target.focus());
    }
  }

  // attribute lines: the field is free for the next line at once; a line that is refused comes back into it
  function addLines(field) {
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
  document.addEventListener("htmx:afterRequest", event => {
    if (event.detail.elt.id === "relate" && kept(event)) relating = false;
  });
  document.addEventListener("input", event => { if (event.target.id === "add-line") grow(event.target); });
  document.addEventListener("paste", event => {
    if (event.target.id === "add-line" && /\n\s*\S/.test(event.clipboardData.getData("text").trim()) && !event.target.value.trim()) {
      setTimeout(() => addLines(event.target));
    }
  });
  function grow(area) { area.rows = Math.min(8, area.value.split("\n").length); }

  // height of the ledger
  const sash = document.getElementById("sash"), ledger = sash.parentElement;
  const height = () => ledger.offsetHeight;
  function size(h) {
    const limited = Math.max(90, Math.min(window.innerHeight - 220, h));
    document.documentElement.style.setProperty("--ledger", limited + "px");
    sash.setAttribute("aria-valuenow", String(Math.round(limited)));
    localStorage.setItem("entaxis.ledger", String(limited));
  }
  sash.addEventListener("pointerdown", event => {
    sash.setPointerCapture(event.pointerId);
    const from = event.clientY, was = height();
    const move = e => size(was + from - e.clientY);
    sash.addEventListener("pointermove", move);
    sash.addEventListener("pointerup", () => sash.removeEventListener("pointermove", move), { once: true });
  });

  // start
  const remembered = Number(localStorage.getItem("entaxis.ledger"));
  if (remembered) size(remembered);
  drawing.patch(document.getElementById("sheet-patch"));
  drawing.mark(desk.dataset.selected);
  mirror();
  const start = () => { drawing.fit(); desk.dataset.ready = "true"; };
  document.fonts ? document.fonts.ready.then(start) : start();
})();
