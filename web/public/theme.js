// Runs before anything is drawn, so that a dark hall never sees a white flash.
document.documentElement.dataset.theme =
    localStorage.getItem("theme") ?? (matchMedia("(prefers-color-scheme: dark)").matches ? "hall" : "table");
