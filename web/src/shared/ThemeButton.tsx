import { useState } from "react";

const themeNow = () => document.documentElement.dataset.theme ?? "table";

/** Table (light) or hall (dim); remembered, and put on before anything is drawn (public/theme.js). */
export function changeTheme() {
  const other = themeNow() === "hall" ? "table" : "hall";
  document.documentElement.dataset.theme = other;
  localStorage.setItem("theme", other);
  return other;
}

export function ThemeButton() {
  const [theme, setTheme] = useState(themeNow());
  const other = theme === "hall" ? "table" : "hall";
  return (
    <button
      onClick={() => setTheme(changeTheme())}
      className="py-1"
      title={other === "hall" ? "Dim, for dark rooms" : "Light, for the kitchen table"}
    >
      {other === "hall" ? "Hall light" : "Table light"}
    </button>
  );
}
