import { useState } from "react";

/** Table (light) or hall (dim); remembered, and put on before anything is drawn (public/theme.js). */
export function ThemeButton() {
  const [theme, setTheme] = useState(document.documentElement.dataset.theme ?? "table");
  const other = theme === "hall" ? "table" : "hall";
  const change = () => {
    document.documentElement.dataset.theme = other;
    localStorage.setItem("theme", other);
    setTheme(other);
  };
  return (
    <button
      onClick={change}
      className="py-1"
      title={other === "hall" ? "Dim, for dark rooms" : "Light, for the kitchen table"}
    >
      {other === "hall" ? "Hall light" : "Table light"}
    </button>
  );
}
