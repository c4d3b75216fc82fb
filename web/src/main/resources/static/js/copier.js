// A button that copies the script, or marks it where the browser does not let it be copied.
document.addEventListener("alpine:init", () => {
  Alpine.data("copier", () => ({
    label: "Copy",
    async copy() {
      const text = document.getElementById("script-text");
      if (!text) return;
      try {
        await navigator.clipboard.writeText(text.textContent);
        this.label = "Copied";
      } catch (refused) {
        const range = document.createRange();
        range.selectNodeContents(text);
        getSelection().removeAllRanges();
        getSelection().addRange(range);
        this.label = "Marked: press Ctrl+C";
      }
      setTimeout(() => { this.label = "Copy"; }, 2000);
    }
  }));
});
