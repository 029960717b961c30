// Runs before anything is drawn, so that a dark hall never sees a white flash; the day as it is worked is dim by itself.
document.documentElement.dataset.theme = location.pathname.endsWith("/live")
    ? "hall"
    : (localStorage.getItem("theme") ??
      (matchMedia("(prefers-color-scheme: dark)").matches ? "hall" : "table"));
