import { createRoot } from "react-dom/client";
import type { PocketDay } from "../api/client";
import { OnTheDay } from "./OnTheDay";
import "./pocket.css";

/** What the server wrote into the page. */
const carried = JSON.parse(document.getElementById("day")!.textContent) as {
  day: PocketDay;
  home: string | null;
};

document.documentElement.classList.add("with-scripts");
createRoot(document.getElementById("root")!).render(<OnTheDay day={carried.day} home={carried.home} />);
