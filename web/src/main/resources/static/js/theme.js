// Light or dark: what was chosen last, else what the system prefers. Runs before the page is painted.
(function () {
  "use strict";
  const dark = matchMedia("(prefers-color-scheme: dark)");
  const show = () => {
    const theme = localStorage.getItem("entaxis.theme") || (dark.matches ? "dark" : "light");
    document.documentElement.setAttribute("data-theme", theme);
    document.getElementById("dark-drawing").disabled = theme !== "dark";
  };
  show();
  dark.addEventListener("change", show);
  document.addEventListener("click", event => {
    if (!event.target.closest("#theme")) return;
    localStorage.setItem("entaxis.theme", document.documentElement.getAttribute("data-theme") === "dark" ? "light" : "dark");
    show();
  });
})();
