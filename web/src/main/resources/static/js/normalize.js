// The Normalize desk: choosing another entity, drawing a dependency by clicks, printing, and a picture of the diagram.
(function () {
  "use strict";
  document.getElementById("entity-choice")?.addEventListener("change", event => { location.href = `${event.target.dataset.address}?sel=${event.target.value}`; });

  const ticked = kind => [...document.querySelectorAll(`.${kind}:checked`)].map(box => box.dataset.name);
  document.addEventListener("htmx:configRequest", event => {
    const source = event.detail.elt, parameters = event.detail.parameters;
    for (const name of ["line", "answer", "columns"]) if (source.dataset[name] !== undefined) parameters[name] = source.dataset[name];
    if (source.id === "draw") {
      parameters.answer = "accept";
      parameters.line = `${ticked("decides").join(", ")} -> ${ticked("decided").join(", ")}`;
    }
  });
  // A click on an attribute says that it decides; another one, that it is decided; a third, neither.
  document.addEventListener("click", event => {
    if (event.target.closest("[data-print]")) print();
    if (event.target.closest("[data-png]")) png();
    const box = event.target.closest("[data-attribute]");
    if (!box) return;
    const left = document.getElementById(`decides-${box.dataset.attribute}`), right = document.getElementById(`decided-${box.dataset.attribute}`);
    document.getElementById("draw-open").open = true;
    if (left.checked) { left.checked = false; right.checked = true; } else if (right.checked) right.checked = false; else left.checked = true;
  });
  // What the server keeps after an accepted suggestion comes into the text, unless more was typed meanwhile.
  document.addEventListener("htmx:oobAfterSwap", event => {
    const lines = document.getElementById("lines");
    if (event.target.id === "kept-lines" && lines && document.activeElement !== lines) lines.value = event.target.textContent;
  });
  function png() {
    const svg = document.querySelector("#dependency-diagram svg"), width = svg.width.baseVal.value, height = svg.height.baseVal.value;
    const image = new Image();
    image.onload = () => {
      const canvas = document.createElement("canvas");
      canvas.width = width * 2;
      canvas.height = height * 2;
      canvas.getContext("2d").drawImage(image, 0, 0, width * 2, height * 2);
      const link = document.createElement("a");
      link.download = "dependencies.png";
      link.href = canvas.toDataURL("image/png");
      link.click();
    };
    image.src = "data:image/svg+xml;charset=utf-8," + encodeURIComponent(new XMLSerializer().serializeToString(svg));
  }
})();
