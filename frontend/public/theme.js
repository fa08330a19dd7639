// Before anything is painted: the theme that was chosen in this browser, else the system's.
(function () {
  var kept = null;
  try {
    kept = localStorage.getItem("curlet-theme");
  } catch {
    // Nothing can be kept here: the system's theme it is.
  }
  var dark = kept ? kept === "lamp" : window.matchMedia("(prefers-color-scheme: dark)").matches;
  document.documentElement.dataset.theme = dark ? "lamp" : "paper";
})();
