// The style library's rule for whatever follows a legend makes the browser restyle a whole subtree each time any element is put into it: 170 ms for one changed card
// among a thousand. No page here has a legend, so the rule is taken out before the page is styled.
(function () {
  "use strict";
  for (const sheet of document.styleSheets) {
    const at = [...sheet.cssRules].findIndex(rule => /^legend\s*\+\s*\*$/.test(rule.selectorText || ""));
    if (at >= 0) sheet.deleteRule(at);
  }
})();
