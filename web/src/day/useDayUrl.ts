import { useCallback, useEffect, useMemo, useRef } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import { isSamePull, pullText, readPull, type Pull } from "./pulls";

/** What the inspector shows. */
export type Selection =
  | { kind: "need"; part: string; need: string; bench?: Bench }
  | { kind: "hand"; part: string; person: string; position: string }
  | { kind: "part"; part: string }
  | { kind: "item"; item: string }
  | { kind: "setups" }
  | { kind: "kit" }
  | { kind: "team" }
  | { kind: "rules" }
  | { kind: "most" }
  | { kind: "timetable" };

/** How the ways of a need are laid out. */
export type Bench = "framing" | "light";

/** What is seen and what is pulled live in the address, so that a link or a reload shows the same. */
// Long: one address and all that reads or writes it.
export function useDayUrl() {
  const [params, setParams] = useSearchParams();
  // The same list as long as the same is pulled, whatever else of the address changes.
  const pulled = params.getAll("pull").join("\n");
  const pulls = useMemo(() => (pulled ? pulled.split("\n") : []), [pulled]);
  const selection = useMemo(() => readSelection(params), [params]);

  const navigate = useNavigate();
  const location = useLocation();
  const latest = useRef({ location, pulled });
  useEffect(() => {
    latest.current = { location, pulled };
  });

  // A panel that opens is a step one can go back from; another in its place is not, and closing it is going back.
  const select = useCallback(
    (next: Selection | null) => {
      const { location, pulled } = latest.current;
      const opened = (location.state as { opened?: string } | null)?.opened;
      const isOpen = readSelection(new URLSearchParams(location.search)) !== null;
      if (!next && opened === pulled) {
        void navigate(-1);
        return;
      }
      setParams(
        (old) => {
          const now = new URLSearchParams(old.getAll("pull").map((p) => ["pull", p]));
          if (next) for (const [key, value] of writeSelection(next)) now.set(key, value);
          return now;
        },
        next && !isOpen
          ? { state: { opened: pulled } }
          : { replace: true, state: next ? (location.state as unknown) : null },
      );
    },
    [navigate, setParams],
  );

  const setPulls = useCallback(
    (change: (old: string[]) => string[]) =>
      setParams(
        (old) => {
          const now = new URLSearchParams(old);
          const next = change(old.getAll("pull"));
          now.delete("pull");
          next.forEach((p) => now.append("pull", p));
          return now;
        },
        { replace: true, state: latest.current.location.state as unknown },
      ),
    [setParams],
  );

  /** Pulls a thing, or puts it back if it is out already. */
  const togglePull = useCallback(
    (pull: Pull) =>
      setPulls((old) => {
        const rest = old.filter((p) => !isSamePull(readPull(p), pull));
        return rest.length < old.length ? rest : [...rest, pullText(pull)];
      }),
    [setPulls],
  );

  /** Says from when on, or until when, a pulled thing is out. */
  const changePull = useCallback(
    (pull: Pull) => setPulls((old) => old.map((p) => (isSamePull(readPull(p), pull) ? pullText(pull) : p))),
    [setPulls],
  );

  return {
    pulls,
    selection,
    select,
    togglePull,
    changePull,
    putAllBack: useCallback(() => setPulls(() => []), [setPulls]),
  };
}

function readSelection(params: URLSearchParams): Selection | null {
  const [part, need, hand, item, show, bench] = ["part", "need", "hand", "item", "show", "bench"].map((key) =>
    params.get(key),
  );
  if (
    show === "setups" ||
    show === "kit" ||
    show === "team" ||
    show === "rules" ||
    show === "most" ||
    show === "timetable"
  )
    return { kind: show };
  if (item) return { kind: "item", item };
  if (!part) return null;
  if (need)
    return {
      kind: "need",
      part,
      need,
      ...(bench === "framing" || bench === "light" ? { bench } : {}),
    };
  if (!hand) return { kind: "part", part };
  const [person = "", position = ""] = hand.split(":");
  return { kind: "hand", part, person, position };
}

function writeSelection(selection: Selection): [string, string][] {
  switch (selection.kind) {
    case "setups":
    case "kit":
    case "team":
    case "rules":
    case "most":
    case "timetable":
      return [["show", selection.kind]];
    case "item":
      return [["item", selection.item]];
    case "part":
      return [["part", selection.part]];
    case "need":
      return [
        ["part", selection.part],
        ["need", selection.need],
        ...(selection.bench ? [["bench", selection.bench] as [string, string]] : []),
      ];
    case "hand":
      return [
        ["part", selection.part],
        ["hand", `${selection.person}:${selection.position}`],
      ];
  }
}
