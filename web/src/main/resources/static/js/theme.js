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
  // in a narrow window the desks fold into a menu
  document.addEventListener("click", event => {
    const button = document.getElementById("desks-button"), desks = document.getElementById("desks");
    if (!button || !desks) return;
    const open = Boolean(event.target.closest("#desks-button")) && !desks.classList.contains("open");
    desks.classList.toggle("open", open);
    button.setAttribute("aria-expanded", String(open));
  });
  document.addEventListener("click", event => {
    if (!event.target.closest("#theme")) return;
    localStorage.setItem("entaxis.theme", document.documentElement.getAttribute("data-theme") === "dark" ? "light" : "dark");
    show();
  });
})();
