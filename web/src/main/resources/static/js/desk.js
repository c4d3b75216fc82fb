// The Diagram desk: keys, selection and focus around the sheet, the contents and the ledger.
(function () {
  "use strict";
  const desk = document.getElementById("desk"), sheet = document.getElementById("sheet"), drawing = window.entaxisSheet;
  desk.dataset.selected = desk.dataset.selected || "";
  const address = "/designs/" + desk.dataset.design;
  const namer = document.getElementById("namer"), namerName = document.getElementById("namer-name");
  let relating = false, focusAfter = "", keepLeaf = false, revealing = 0, revealed = null;

  const kept = event => event.detail.successful && event.detail.xhr.status < 400;
  const post = (path, values, source) => htmx.ajax("POST", address + path, { source: source || sheet, target: "#ledger", swap: "morph:innerHTML", values });

  // selection
  function select(id, focus) {
    desk.dataset.leaf = keepLeaf ? desk.dataset.leaf : "";
    keepLeaf = false;
    if (relating && id.startsWith("e")) { relate(desk.dataset.selected, id); return; }
    relating = false;
    desk.dataset.selected = id;
    drawing.mark(id);
    mirror();
    focusAfter = focus || "";
    keepInSight(id, htmx.ajax("GET", `${address}/ledger?sel=${encodeURIComponent(id)}&sheet=${desk.dataset.sheet}&leaf=${desk.dataset.leaf}`,
      { source: sheet, target: "#ledger", swap: "innerHTML" }));
    remember();
  }
  // What is selected comes out from behind the ledger that opens, but not before a second click could have made a double one. A sheet that was
  // seen whole is so again when nothing is selected any more, unless one has moved it meanwhile.
  const same = (one, other) => one.x === other.x && one.y === other.y && one.scale === other.scale;
  function keepInSight(id, shown) {
    const whole = revealed !== null && same(revealed, drawing.state()) || drawing.wholeSeen(), from = performance.now();
    const look = () => {
      if (desk.dataset.selected !== id) return;
      if (id) drawing.reveal(id); else if (whole && !drawing.wholeSeen()) drawing.fit();
      revealed = id && whole ? drawing.state() : null;
    };
    clearTimeout(revealing);
    shown.then(() => { revealing = setTimeout(look, Math.max(0, 400 + from - performance.now())); }).catch(() => {});
  }
  // One card more or less among the selected ones.
  function toggle(id) {
    if (!/^[er]/.test(id)) return select(id);
    const ids = drawing.several().filter(one => /^[er]/.test(one));
    select((ids.includes(id) ? ids.filter(one => one !== id) : [...ids, id]).join(","));
  }
  function remember() {
    const id = desk.dataset.selected;
    history.replaceState(null, "", `${address}?lens=${desk.dataset.lens}&sheet=${desk.dataset.sheet}${id ? "&sel=" + id : ""}`);
  }
  function leaf(name) {
    desk.dataset.leaf = name;
    keepLeaf = true;
    focusAfter = "";
    htmx.ajax("GET", `${address}/ledger?sel=${encodeURIComponent(desk.dataset.selected)}&sheet=${desk.dataset.sheet}&leaf=${name}`, { source: sheet, target: "#ledger", swap: "innerHTML" })
      .then(() => { keepLeaf = false; document.querySelector(`#ledger [data-leaf="${name}"]`)?.focus(); });
  }
  function show(sheetId) {
    desk.dataset.sheet = sheetId;
    htmx.ajax("GET", `${address}/sheet?lens=${desk.dataset.lens}&sheet=${sheetId}`, { source: sheet, target: "#sheet-patch", swap: "none" }).then(() => setTimeout(drawing.fit, 30));
    htmx.ajax("POST", address + "/since", { source: sheet, target: "#ledger", swap: "morph:innerHTML" });
    remember();
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
    if (chooser) {
      if (chooser.dataset.leaf) { desk.dataset.leaf = chooser.dataset.leaf; keepLeaf = true; }
      if (event.shiftKey && chooser.closest("#contents")) toggle(chooser.dataset.select); else { select(chooser.dataset.select); drawing.reveal(chooser.dataset.select); }
    }
    const other = event.target.closest(".leaves [data-leaf]");
    if (other) leaf(other.closest("#about-design") && other.getAttribute("aria-pressed") === "true" ? "" : other.dataset.leaf);
    const tab = event.target.closest(".sheet-tabs button[data-sheet]");
    if (tab) show(tab.dataset.sheet);
    const line = event.target.closest("[data-align]");
    if (line) post("/align", { cards: desk.dataset.selected, value: line.dataset.align });
    const handle = event.target.closest(".handle");
    if (handle) { handle.setAttribute("aria-pressed", String(handle.getAttribute("aria-pressed") !== "true")); chosenAttributes(); }
    const how = event.target.closest("[data-how]");
    if (how) document.getElementById("move-how").value = how.dataset.how;
    const tool = event.target.closest("[data-do]");
    if (tool) act(tool.dataset.do);
    const lens = event.target.closest("[data-lens]");
    if (lens && lens !== desk) look(lens.dataset.lens);
  });

  function look(lens) {
    desk.dataset.lens = lens;
    document.querySelectorAll(".lens button").forEach(button => button.setAttribute("aria-pressed", String(button.dataset.lens === lens)));
    const whole = drawing.wholeSeen();
    htmx.ajax("GET", `${address}/sheet?lens=${lens}&sheet=${desk.dataset.sheet}`, { source: sheet, target: "#sheet-patch", swap: "none" })
      .then(() => { if (whole && !drawing.wholeSeen()) drawing.fit(); });
    remember();
  }

  // answers
  document.addEventListener("htmx:oobAfterSwap", event => {
    if (event.detail.target.id === "sheet-patch" || event.detail.elt && event.detail.elt.id === "sheet-patch") drawing.patch(document.getElementById("sheet-patch"));
    if (event.detail.target.id === "contents") { mirror(); filter(); }
    if (event.detail.target.id === "sheet-tabs") sheetGone();
  });
  // The sheet that was shown may have been deleted; the server then shows the first one.
  function sheetGone() {
    const tabs = document.getElementById("sheet-tabs");
    if (tabs.dataset.sheet !== desk.dataset.sheet) show(tabs.dataset.sheet);
  }
  function filter() {
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
  let filtered = "";
  document.addEventListener("input", event => { if (event.target.id === "filter") filter(); });
  document.addEventListener("htmx:afterSettle", event => {
    if (event.detail.target.id !== "ledger") return;
    const target = document.getElementById("copy-target");
    if (target && !target.options.length) document.querySelectorAll("#designs option").forEach(option => target.add(new Option(option.label, option.value)));
    const about = document.querySelector("#ledger .about");
    if (about && about.id === "about-design" && desk.dataset.selected) { desk.dataset.selected = ""; drawing.mark(""); mirror(); }
    // what was in use may be gone with the edit: the keys then still have somewhere to go
    if (!focusAfter && document.activeElement === document.body && !document.querySelector("dialog[open]")) sheet.focus({ preventScroll: true });
    if (focusAfter) {
      const field = document.getElementById(focusAfter);
      focusAfter = "";
      if (field) { field.focus(); if (field.select) field.select(); }
    }
  });
  document.addEventListener("entaxis:selected", event => {
    const id = event.detail.value || "";
    desk.dataset.selected = id;
    desk.dataset.leaf = "";
    drawing.mark(id);
    drawing.reveal(id.split(",")[0]);
    keepInSight(id, Promise.resolve());
    mirror();
    remember();
    if (id.startsWith("e")) document.getElementById("add-line")?.focus();
    if (id.startsWith("r")) document.getElementById("verb-FIRST")?.select();
    if (id.startsWith("n")) document.getElementById("note-text")?.select();
    if (!id) sheet.focus();
  });
  document.addEventListener("htmx:responseError", event => {
    const config = event.detail.requestConfig;
    if (config && config.parameters && (config.parameters.kind === "cards.place" || config.path.endsWith("/snap"))) moving.forEach(id => drawing.back(id));
  });

  // a picture goes where one looks
  document.addEventListener("htmx:configRequest", event => {
    if (event.detail.elt.id !== "picture-add") return;
    const c = drawing.centre(), at = drawing.toSheet(c.x - 100, c.y - 80);
    event.detail.parameters.x = Math.round(at.x);
    event.detail.parameters.y = Math.round(at.y);
  });

  // a sentence that is not understood is marked where it stops being one
  document.addEventListener("htmx:afterSwap", event => {
    const place = event.detail.target.id === "say-fault" && /Line (\d+), character (\d+)/.exec(event.detail.target.textContent), field = document.getElementById("say-text");
    if (!place || !field) return;
    const lines = field.value.split("\n"), from = lines.slice(0, place[1] - 1).reduce((sum, line) => sum + line.length + 1, 0) + Number(place[2]) - 1;
    field.focus();
    field.setSelectionRange(Math.min(from, field.value.length), Math.min(from + (lines[place[1] - 1].slice(place[2] - 1).search(/[.;\/]|$/) || 1), field.value.length));
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
  drawing.on.toggle = toggle;
  const moving = new Set();
  drawing.on.moved = places => {
    places.forEach(place => moving.add(place.id));
    const settle = () => places.forEach(place => { moving.delete(place.id); if (drawing.cards.has(place.id)) drawing.unfollow(place.id); });
    const one = places.length === 1 && /^[er]/.test(places[0].id) && localStorage.getItem("entaxis.snap") !== "off";
    (one ? post("/snap", { card: places[0].id, x: places[0].x, y: places[0].y })
      : post("/edits", { kind: "cards.place", value: places.map(place => `${place.id}:${place.x},${place.y}`).join(";") })).then(settle);
  };
  drawing.on.bent = (line, from, to, corners) => post("/edits", { kind: "line.way", line, from, to, value: corners.map(corner => corner.map(Math.round).join(",")).join(";") });
  drawing.on.details = async ids => {
    const body = new URLSearchParams({ lens: desk.dataset.lens, sheet: desk.dataset.sheet, ids: ids.join(",") });
    const answer = await fetch(address + "/parts", { method: "POST", body, headers: JSON.parse(desk.getAttribute("hx-headers")) });
    if (answer.ok) drawing.detail(await answer.text());
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
      case "arrange": {
        const some = drawing.several().filter(id => /^[er]/.test(id) && drawing.cards.has(id));
        if (some.length > 1) post("/arrange", { cards: some.join(",") }); else post("/arrange", {}).then(() => setTimeout(drawing.fit, 30));
        break;
      }
      case "find": window.entaxisFind(); break;
      case "legend": document.getElementById("legend").showModal(); break;
      case "picture": window.entaxisPicture(); break;
      case "resolve": {
        const field = document.getElementById("resolve-name");
        if (field) field.select(); else say("Select a many-to-many first: a line with many at both ends.");
        break;
      }
      case "duplicate": if (/^e[^,]*$/.test(chosen)) post("/edits", { kind: "entity.duplicate", entity: chosen, value: "with" }); break;
      case "neighbours": case "neighbours2":
        if (!chosen.startsWith("e")) return say("Select the entity whose neighbours are to come onto this sheet.");
        post("/bring", { cards: chosen, steps: what === "neighbours" ? 1 : 2 });
        break;
      case "connected": connected(); break;
      case "pin": if (chosen) post("/edits", { kind: "cards.pin", cards: chosen, value: String(!drawing.several().every(id => drawing.cards.get(id)?.querySelector(".pin"))) }); break;
      case "hide": if (chosen) post("/edits", { kind: "cards.hide", cards: chosen }).then(() => { if (!chosen.includes(",")) select(""); }); break;
      case "off": if (chosen) post("/edits", { kind: "cards.off", cards: chosen }); break;
      case "note": { const c = drawing.centre(), at = drawing.toSheet(c.x - 120, c.y - 40); post("/edits", { kind: "note.add", value: "Write here", x: at.x, y: at.y }); break; }
      case "straighten": if (chosen.startsWith("r")) post("/straighten", { line: chosen }); break;
      case "copy": copy(); break;
      case "copy-lines": copyLines(); break;
      case "fit": drawing.fit(); break;
      case "snap": snapping(localStorage.getItem("entaxis.snap") === "off"); break;
      case "closer": { const c = drawing.centre(); drawing.zoom(1.2, c.x, c.y); break; }
      case "farther": { const c = drawing.centre(); drawing.zoom(1 / 1.2, c.x, c.y); break; }
      case "turn": if (chosen.startsWith("r")) post("/edits", { kind: "relationship.turn", relationship: chosen }); break;
      case "rename": if (drawing.cards.has(chosen)) drawing.on.rename(chosen); break;
      case "delete":
        if (chosen.includes(",")) { post("/edits", { kind: "cards.remove", cards: chosen }); break; }
        if (chosen.startsWith("n")) post("/edits", { kind: "note.remove", note: chosen });
        if (chosen.startsWith("i")) post("/edits", { kind: "picture.remove", picture: chosen });
        if (chosen.startsWith("e")) post("/edits", { kind: "entity.remove", entity: chosen });
        if (chosen.startsWith("r")) post("/edits", { kind: "relationship.remove", relationship: chosen });
        break;
      case "lens": look(desk.dataset.lens === "tables" ? "concept" : "tables"); break;
      case "add": document.getElementById("add-line")?.focus(); break;
      case "findings": window.entaxisMargin.toggle(); break;
      case "fold": leaf(""); sheet.focus(); break;
      case "keys": document.getElementById("keys").showModal(); break;
      case "contents": (document.querySelector("#contents .chosen") || document.querySelector("#contents .entry"))?.focus(); break;
      case "undo": post("/undo", {}); break;
      case "redo": post("/redo", {}); break;
    }
  }
  // All cards that can be reached over lines from the selected ones.
  function connected() {
    const reached = new Set(drawing.several().filter(id => drawing.cards.has(id))), open = [...reached];
    while (open.length) {
      for (const line of drawing.linesOf.get(open.pop()) || []) {
        for (const id of [line.dataset.a, line.dataset.b]) if (drawing.cards.has(id) && !reached.has(id)) { reached.add(id); open.push(id); }
      }
    }
    if (reached.size) select([...reached].join(","));
  }

  // copies: entities as a reference that the server resolves, attributes as the lines that they are typed as
  async function put(text, what) {
    sessionStorage.setItem("entaxis.copied", text);
    localStorage.setItem("entaxis.copied", text);
    try { await navigator.clipboard.writeText(text); } catch (refused) { /* the copy within this browser still works */ }
    say(what);
  }
  function copy() {
    const ids = drawing.several().filter(id => id.startsWith("e"));
    if (ids.length) put(`entaxis:${desk.dataset.design}:${ids.join(",")}`, `${ids.length} copied. Paste with Ctrl+V, here or in another design.`);
  }
  function paste() {
    const text = localStorage.getItem("entaxis.copied") || "", c = drawing.centre(), at = drawing.toSheet(c.x - 80, c.y - 60);
    if (text.startsWith("entaxis:")) post("/edits", { kind: "entities.paste", value: text, x: at.x, y: at.y });
    else say("Nothing was copied yet. Select entities and press Ctrl+C.");
  }
  const handles = () => [...document.querySelectorAll("#ledger .handle")];
  function chosenAttributes() {
    const ids = handles().filter(handle => handle.getAttribute("aria-pressed") === "true").map(handle => handle.dataset.attribute), form = document.getElementById("move-attributes");
    form.hidden = ids.length === 0;
    document.getElementById("chosen-attributes").value = ids.join(",");
    document.getElementById("chosen-count").textContent = ids.length + " chosen:";
  }
  function copyLines() {
    const lines = document.getElementById("attribute-lines").textContent.split("\n"), all = handles();
    const chosen = lines.filter((line, i) => all[i] && all[i].getAttribute("aria-pressed") === "true");
    put(chosen.join("\n"), `${chosen.length} copied as lines. Paste them into the line of another entity.`);
  }
  document.addEventListener("dragstart", event => {
    const handle = event.target.closest && event.target.closest(".handle");
    if (!handle) return;
    handle.setAttribute("aria-pressed", "true");
    chosenAttributes();
    event.dataTransfer.setData("text/plain", document.getElementById("chosen-attributes").value);
    event.dataTransfer.effectAllowed = "copyMove";
  });
  const dropTarget = event => event.target.closest && (event.target.closest("#contents .entry") || event.target.closest(".card"));
  document.addEventListener("dragover", event => { if (document.querySelector(".handle[aria-pressed=true]") && dropTarget(event)) event.preventDefault(); });
  document.addEventListener("drop", event => {
    const target = dropTarget(event), to = target && (target.dataset.select || target.id.slice(2));
    if (!to || !to.startsWith("e") || !desk.dataset.selected.startsWith("e")) return;
    event.preventDefault();
    post("/edits", { kind: "attributes.move", owner: desk.dataset.selected, chosen: document.getElementById("chosen-attributes").value, to, value: event.ctrlKey ? "copy" : "move" });
  });

  function say(text) {
    const line = document.createElement("p");
    line.className = "message";
    line.textContent = text;
    document.getElementById("notice").replaceChildren(line);
  }

  // keys
  // Whether a card that is dropped falls in line with its neighbours; kept in this browser.
  function snapping(on) {
    if (on) localStorage.removeItem("entaxis.snap"); else localStorage.setItem("entaxis.snap", "off");
    document.querySelector('[data-do="snap"]').setAttribute("aria-pressed", String(on));
  }
  snapping(localStorage.getItem("entaxis.snap") !== "off");

  const KEYS = { f: "findings", x: "picture", i: "snap", m: "resolve", d: "duplicate", p: "pin", h: "hide", b: "neighbours", s: "connected", w: "note", e: "entity", r: "relate", g: "arrange", 0: "fit", "+": "closer", "=": "closer", "-": "farther", t: "turn", n: "rename", l: "lens", a: "add", "?": "keys", c: "contents", Delete: "delete" };
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
    if ((event.ctrlKey || event.metaKey) && key === "k") { event.preventDefault(); if (!document.querySelector("dialog[open]")) window.entaxisFind(); return; }
    if (event.target.closest("dialog")) return;
    if (!field && (event.ctrlKey || event.metaKey) && key === "c" && !String(getSelection())) { copy(); return; }
    if (!field && (event.ctrlKey || event.metaKey) && key === "v") { event.preventDefault(); paste(); return; }
    if (!field && (event.ctrlKey || event.metaKey) && key === "a") { event.preventDefault(); select([...drawing.cards.keys()].filter(id => /^[er]/.test(id)).join(",")); return; }
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
    if (ARROWS[event.key] && document.activeElement === sheet && drawing.several().some(id => drawing.cards.has(id))) { nudge(-ARROWS[event.key][0], -ARROWS[event.key][1], event.shiftKey ? 1 : 10); event.preventDefault(); return; }
    if (ARROWS[event.key]) { drawing.pan(ARROWS[event.key][0] * 60, ARROWS[event.key][1] * 60); event.preventDefault(); return; }
    if (KEYS[key]) { event.preventDefault(); act(KEYS[key]); }
  });

  // Arrow keys move the selected cards; one edit tells the server where they came to rest.
  let nudged = null;
  function nudge(dx, dy, by) {
    const ids = drawing.several().filter(id => drawing.cards.has(id));
    if (!nudged) nudged = { ids, dx: 0, dy: 0 };
    nudged.dx += dx * by;
    nudged.dy += dy * by;
    drawing.moveBy(nudged.ids, nudged.dx, nudged.dy);
    clearTimeout(nudged.timer);
    nudged.timer = setTimeout(() => {
      const done = nudged;
      nudged = null;
      const places = drawing.placed(done.ids, done.dx, done.dy);
      places.forEach(place => moving.add(place.id));
      post("/edits", { kind: "cards.place", value: places.map(place => `${place.id}:${place.x},${place.y}`).join(";") })
        .then(() => places.forEach(place => { moving.delete(place.id); if (drawing.cards.has(place.id)) drawing.unfollow(place.id); }));
    }, 300);
  }

  function inField(event, field) {
    if (field.dataset.counts && (event.key === "ArrowDown" || event.key === "ArrowUp")) {
      const usual = [...document.querySelectorAll("#counts option[data-usual]")].map(option => option.value), at = usual.indexOf(field.value);
      field.value = usual[(at + (event.key === "ArrowDown" ? 1 : usual.length - 1) + (at < 0 && event.key === "ArrowUp" ? 1 : 0)) % usual.length];
      event.preventDefault();
      field.dispatchEvent(new Event("change", { bubbles: true }));
      return;
    }
    if (field.id === "filter" && event.key === "ArrowDown") { document.querySelector("#contents li:not([hidden]) .entry")?.focus(); event.preventDefault(); return; }

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
    if (event.detail.elt.id === "say" && kept(event)) { const field = document.getElementById("say-text"); if (field) field.value = ""; }
    if (/^(index|rule|type|kind)-new$|^assume-/.test(event.detail.elt.id) && kept(event)) { const field = document.getElementById(event.detail.elt.id); if (field) field.value = ""; }
  });
  document.addEventListener("input", event => { if (event.target.id === "add-line") grow(event.target); });
  document.addEventListener("paste", event => {
    if (event.target.id === "add-line" && /\n\s*\S/.test(event.clipboardData.getData("text").trim()) && !event.target.value.trim()) {
      setTimeout(() => addLines(event.target));
    }
  });
  function grow(area) { area.rows = Math.min(8, area.value.split("\n").length); }

  // height of the ledger: kept for each kind of thing that it is about; without a selection it is one line until a part of it is opened
  const sash = document.getElementById("sash"), ledger = sash.parentElement;
  const height = () => ledger.offsetHeight;
  const about = () => (document.querySelector("#ledger .about")?.id || "about-design").slice("about-".length);
  function size(h) {
    const limited = Math.max(90, Math.min(window.innerHeight - 220, h));
    document.documentElement.style.setProperty("--ledger", limited + "px");
    sash.setAttribute("aria-valuenow", String(Math.round(limited)));
    localStorage.setItem("entaxis.ledger." + about(), String(limited));
  }
  // Gives the ledger the height that it had when it was last about such a thing.
  function sized() {
    const remembered = Number(localStorage.getItem("entaxis.ledger." + about()));
    if (remembered) size(remembered); else document.documentElement.style.removeProperty("--ledger");
  }
  sash.addEventListener("pointerdown", event => {
    sash.setPointerCapture(event.pointerId);
    const from = event.clientY, was = height();
    const move = e => size(was + from - e.clientY);
    sash.addEventListener("pointermove", move);
    sash.addEventListener("pointerup", () => sash.removeEventListener("pointermove", move), { once: true });
  });
  document.addEventListener("htmx:afterSwap", event => { if (event.detail.target.id === "ledger") sized(); });

  // start
  sized();
  mirror();
  window.entaxisDesk = { act, select };
  // the drawing comes out of its template when the page's own parts have been looked through, which would else take in every card
  document.addEventListener("DOMContentLoaded", () => {
    drawing.patch(document.getElementById("sheet-first").content.firstElementChild);
    drawing.mark(desk.dataset.selected);
    const start = () => { drawing.fit(); desk.dataset.ready = "true"; };
    document.fonts ? document.fonts.ready.then(start) : start();
  });
})();
