import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Dialog } from "radix-ui";
import { useDeferredValue, useEffect, useMemo, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { answer, api } from "../api/client";
import { bookQuery } from "../cards/useBook";
import { makeDay } from "../day/dayModel";
import { boardQuery } from "../day/useBoard";
import { Strands } from "../marks/Strands";
import { assignmentsQuery } from "../shared/assignments";
import { focusOpened } from "../shared/useFocusKept";
import { useKeys } from "../shared/useKeys";
import { allActions, setFinding, useFinding } from "../shared/actions";
import { found, findsOf, findsOfActions, findsOfBook, findsOfList, findsOfLocker, type Find } from "./finds";

const most = 40;

/** Whether the line was closed by going somewhere. */
let went = false;

/**
 * One line, on every screen, that finds parts, needs, things, people, days and actions by name, and says how each stands.
 * Not modal: what would keep the page behind from scrolling writes styles into it, which the page's own rules forbid.
 */
export function FindLine() {
  const open = useFinding();
  useKeys({ find: () => setFinding(true) }, (event, typing) =>
    event.key === "/" && !typing && !event.ctrlKey && !event.metaKey && !event.altKey ? "find" : undefined,
  );
  return (
    <Dialog.Root open={open} onOpenChange={setFinding} modal={false}>
      <Dialog.Portal>
        <div aria-hidden className="fixed inset-0 z-30 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={(e) => {
            if (!went) return;
            // To what was found, not back to where one was.
            went = false;
            e.preventDefault();
            focusOpened();
          }}
          className="fixed inset-x-0 top-0 z-30 mx-auto flex max-h-[80vh] w-full max-w-2xl flex-col border-x-2 border-b-2 border-ink bg-raised"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <Finder />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Finder() {
  const navigate = useNavigate();
  const [line, setLine] = useState("");
  const [at, setAt] = useState(0);
  const all = useFinds();
  const asked = useDeferredValue(line);
  const list = useMemo(() => found(asked, all, most), [asked, all]);
  const chosen = Math.min(at, list.length - 1);
  const take = (find?: Find) => {
    if (!find) return;
    setFinding(false);
    went = typeof find.to === "string";
    if (typeof find.to === "string") void navigate(keepingPulls(find.to));
    else find.to();
  };
  useEffect(() => {
    document.getElementById(`find-${chosen}`)?.scrollIntoView({ block: "nearest" });
  }, [chosen]);
  return (
    <>
      <Line
        value={line}
        write={(text) => {
          setLine(text);
          setAt(0);
        }}
        active={list.length > 0 ? `find-${chosen}` : undefined}
        step={(by) => setAt(Math.max(0, Math.min(list.length - 1, chosen + by)))}
        take={() => take(list[chosen])}
      />
      <List finds={list} chosen={chosen} take={take} />
      {list.length === 0 && (
        <p role="status" className="px-4 pb-3 text-quiet">
          Nothing here is called that. Things that are not packed are in the locker.
        </p>
      )}
    </>
  );
}

const steps: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 };

function Line({
  value,
  write,
  active,
  step,
  take,
}: {
  value: string;
  write: (text: string) => void;
  active?: string;
  step: (by: number) => void;
  take: () => void;
}) {
  return (
    <input
      autoFocus
      role="combobox"
      aria-label="Find a part, a need, a thing, a person, a day, or what to do"
      aria-expanded
      aria-controls="finds"
      aria-activedescendant={active}
      placeholder="a part, a need, a thing, a person, a day, or what to do"
      className="border-b border-rule bg-transparent px-4 py-3 text-base outline-none"
      value={value}
      onChange={(e) => write(e.target.value)}
      onKeyDown={(e) => {
        const by = steps[e.key];
        if (by) step(by);
        else if (e.key === "Enter") take();
        else return;
        e.preventDefault();
      }}
    />
  );
}

function List({ finds, chosen, take }: { finds: Find[]; chosen: number; take: (find: Find) => void }) {
  return (
    <ul id="finds" role="listbox" aria-label="Found" className="min-h-0 overflow-auto py-1">
      {finds.map((find, i) => (
        <li
          key={find.id}
          id={`find-${i}`}
          role="option"
          aria-selected={i === chosen}
          onClick={() => take(find)}
          className={`flex cursor-pointer items-center gap-3 px-4 py-1.5 max-[700px]:min-h-[44px] ${i === chosen ? "bg-ink text-ground" : ""}`}
        >
          <span className={`shrink-0 ${i === chosen ? "rounded-sm bg-ground" : ""}`}>
            {find.strands == null ? (
              <span className="inline-block w-5" />
            ) : (
              <Strands count={find.strands} width={20} height={12} />
            )}
          </span>
          <span className="min-w-0 flex-1">
            <span className="font-semibold">{find.name}</span>{" "}
            <span className={i === chosen ? "" : "text-quiet"}>{find.kind}</span>
          </span>
          <span
            className={`max-w-[45%] truncate text-right ${i === chosen ? "" : "text-quiet"}`}
            title={find.says}
          >
            {find.says}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** What is pulled from a day stays pulled while one looks about in it. */
function keepingPulls(to: string) {
  const [path = "", query] = to.split("?");
  if (path !== location.pathname) return to;
  const next = new URLSearchParams(query);
  for (const pull of new URLSearchParams(location.search).getAll("pull")) next.append("pull", pull);
  return `${path}?${next}`;
}

/** Everything there is to find from where one is: what can be done, the day that is open, other days, the locker. */
function useFinds(): Find[] {
  const key = /^\/([^/]+)\/(day|what-if|power|cards|bags)$/.exec(useLocation().pathname)?.[1];
  const client = useQueryClient();
  const board = useQuery({ ...boardQuery(client, key ?? "", []), enabled: !!key });
  const list = useQuery(assignmentsQuery);
  const locker = useQuery({
    queryKey: ["locker", undefined, undefined],
    queryFn: () => answer(api.GET("/api/locker")),
  });
  const book = useQuery(bookQuery);
  return useMemo(() => {
    const here = board.data ? findsOf(makeDay(board.data)) : [];
    const packed = new Set(here.map((f) => f.id.replace(/^item /, "thing ")));
    return [
      ...findsOfActions(allActions()),
      ...(book.data ? findsOfBook(book.data, key) : []),
      ...here,
      ...findsOfList(list.data ?? []).filter((f) => f.id !== `day ${key}`),
      ...(locker.data ? findsOfLocker(locker.data).filter((f) => !packed.has(f.id)) : []),
    ];
  }, [board.data, book.data, list.data, locker.data, key]);
}
