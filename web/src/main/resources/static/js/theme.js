// Light or dark: what was chosen last, else what the system prefers. Runs before the page is painted.
(function () {
  "use strict";
  const dark = matchMedia("(prefers-color-scheme: dark)");
  const show = () => document.documentElement.setAttribute("data-theme", localStorage.getItem("entaxis.theme") || (dark.matches ? "dark" : "light"));
  show();
  dark.addEventListener("change", show);
  document.addEventListener("click", event => {
    if (!event.target.closest("#theme")) return;
    localStorage.setItem("entaxis.theme", document.documentElement.getAttribute("data-theme") === "dark" ? "light" : "dark");
    show();
  });
})();
