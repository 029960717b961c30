import { DndContext, pointerWithin, type DragEndEvent } from "@dnd-kit/core";
import { lazy, Suspense, useCallback, useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { PrintTitle } from "../assignment/AssignmentBar";
import { KeysHelp } from "../shared/KeysHelp";
import { focusMain, focusPanel } from "../shared/useFocusKept";
import { useKeys } from "../shared/useKeys";
import { useMediaQuery } from "../shared/useMediaQuery";
import { boardKeyOf, boardKeys } from "./boardKeys";
import { BoardHeader } from "./BoardHeader";
import { DayContext } from "../day/DayContext";
import { useWas } from "../day/useWas";
import { DayGrid } from "./DayGrid";
import { DayList } from "./DayList";
import { DayStrip } from "./DayStrip";
import { makeDay } from "../day/dayModel";
import { equipped, mounted } from "../day/planChange";
import { Inspector } from "../inspector/Inspector";
import { NoticeBar } from "./NoticeBar";
import { PullStrip } from "../pulls/PullStrip";
import { Shelf } from "./Shelf";
import { TrialBar, useTrialFromElsewhere } from "./TrialBar";
import { useBoard } from "../day/useBoard";
import { useDayUrl } from "../day/useDayUrl";
import { useHandSensors } from "../shared/useHandSensors";
import { useShown } from "./useShown";
import { DayActions, VerdictBar, VerdictDetails } from "./VerdictBar";

const RunSheet = lazy(() => import("./RunSheet").then((m) => ({ default: m.RunSheet })));

// Long: the page where everything of a day meets: it hands on and decides nothing.
export function Board() {
  const key = useParams().assignment ?? "";
  const { pulls, selection, select, togglePull, changePull, putAllBack } = useDayUrl();
  const { board, loadError, pending, notice, dismiss, edit, editThen, step, tryOut, endTrial, trial } =
    useBoard(key, pulls);
  const [pulling, setPulling] = useState(false);
  const [help, setHelp] = useState(false);
  const phone = useMediaQuery("(max-width: 700px)");
  const real = useMemo(() => board && makeDay(board), [board]);
  const tried = trial?.board;
  const day = useMemo(() => (tried ? makeDay(tried) : real), [tried, real]);
  const asIs = tried && real ? real : null;
  useTrialFromElsewhere(tryOut, !!board);

  const touchItem = useCallback(
    (item: string, part?: string) => (pulling ? togglePull({ item, part }) : select({ kind: "item", item })),
    [pulling, togglePull, select],
  );
  const togglePulling = () => setPulling((p) => !p);
  const escape = useCallback(() => {
    if (help) setHelp(false);
    else if (tried) endTrial();
    else if (pulling || pulls.length > 0) {
      setPulling(false);
      putAllBack();
    } else select(null);
  }, [help, tried, endTrial, pulling, pulls.length, putAllBack, select]);
  useKeys(
    {
      pull: togglePulling,
      fewest: () => select({ kind: "setups" }),
      undo: () => step("undo"),
      redo: () => step("redo"),
      help: () => setHelp((h) => !h),
      escape,
      panel: () => {
        const inPanel = document.activeElement?.closest("[data-panel]");
        if (inPanel || !focusPanel()) focusMain();
      },
    },
    boardKeyOf,
  );
  useShown(selection, !!day);

  const was = useWas(key, !!day).data?.parts;

  // One value while nothing of it changes: a pending verdict must not draw the whole day anew.
  const actions = useMemo(
    () =>
      day && {
        day,
        asIs,
        selection,
        select,
        edit,
        editThen,
        tryOut,
        pulling,
        togglePull,
        changePull,
        touchItem,
        pulls,
        was,
      },
    [
      day,
      asIs,
      selection,
      select,
      edit,
      editThen,
      tryOut,
      pulling,
      togglePull,
      changePull,
      touchItem,
      pulls,
      was,
    ],
  );

  const sensors = useHandSensors();

  if (loadError && !board)
    return (
      <main className="p-6 text-lg">
        <h1 className="font-semibold">{loadError.message}</h1>
        <Link to="/" className="underline">
          All assignments
        </Link>
      </main>
    );
  if (!board || !day || !actions) return <main className="p-6 text-quiet">Opening the day …</main>;

  const drop = ({ active, over }: DragEndEvent) => {
    const onto = over?.data.current as
      { place: string } | { part: string; person: string; position: string } | undefined;
    const item = day.item((active.data.current as { item: string }).item);
    if (onto && "place" in onto) {
      if (item && day.placeOf(item) !== onto.place)
        edit({ type: "moveItem", item: item.id, place: onto.place });
      return;
    }
    const target = onto;
    if (!target) return;
    if (!item || !day.parts.some((p) => p.id === target.part)) return;
    if (item.kind === "body") edit(mounted(target, { body: item.id }));
    if (item.kind === "lens") edit(mounted(target, { lens: item.id }));
    if (item.kind === "flash" || item.kind === "trigger") edit(equipped(target, { shoe: item.id }));
    if (item.kind === "support") edit(equipped(target, { support: item.id }));
  };

  return (
    <DayContext value={actions}>
      <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
        <div
          className={`flex h-full flex-col print:hidden ${pulling ? "cursor-crosshair" : ""}`}
          data-revision={board.revision}
        >
          <BoardHeader
            undo={() => step("undo")}
            redo={() => step("redo")}
            help={() => setHelp((h) => !h)}
            pull={togglePulling}
          />
          {trial && <TrialBar trial={trial} leave={endTrial} />}
          <section
            aria-label="Verdict"
            aria-busy={pending}
            className="flex flex-wrap items-start gap-x-6 gap-y-2 px-4 pt-2.5 pb-2 max-[700px]:py-1.5"
          >
            <VerdictBar pending={pending} pulling={pulling} phone={phone} />
            {!phone && <DayActions pulling={pulling} togglePulling={togglePulling} putAllBack={escape} />}
          </section>
          {phone && <DayStrip />}
          {notice && <NoticeBar notice={notice} dismiss={dismiss} again={(edits) => edit(...edits)} />}
          <main className="min-h-0 flex-1 overflow-auto [contain:strict]">
            {phone && (
              <div className="px-4 pb-1">
                <VerdictDetails pulling={pulling} />
              </div>
            )}
            {board.pull && <PullStrip pull={board.pull} />}
            {phone ? <DayList /> : <DayGrid />}
            <Shelf />
          </main>
          {help && <KeysHelp keys={boardKeys} close={() => setHelp(false)} />}
          {/* What is tried out or to be touched is to be seen, and a phone has no room for both. */}
          {selection && !(phone && (tried || pulling)) && <Inspector assignment={key} />}
          {phone && !selection && (
            <div className="border-t border-rule px-4 py-1.5 print:hidden">
              <DayActions pulling={pulling} togglePulling={togglePulling} putAllBack={escape} />
            </div>
          )}
        </div>
        <PrintTitle name={board.plan.assignment.name ?? key} view="Day" />
        <Suspense>
          <RunSheet day={day} />
        </Suspense>
      </DndContext>
    </DayContext>
  );
}
