import { Select } from "../shared/Select";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useId, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import {
  answer,
  api,
  type AssignmentSummary,
  type Habits,
  type PartKind,
  type TimetableLine,
} from "../api/client";
import { useCalendar } from "../shared/useCalendar";
import { date, time } from "../shared/format";
import { Choose, Tick } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import { withLine } from "../shared/lines";
import { Problem } from "../shared/Problem";
import { lightsLiked } from "../shared/words";
import { FileButton } from "../shared/FileButton";

const dayCounts = Array.from({ length: 14 }, (_, i) => [String(i + 1), String(i + 1)] as const);
const kinds: Record<string, string> = { wedding: "Wedding", event: "Event", sport: "Sport" };
const fromTimetable = "timetable";
const fromDay = "copy:";
/** Assignments that a copy is offered of here; of an older one it is asked for at its own line. */
const mostOffered = 40;

/** A new day from a usual one, a timetable or a past assignment, with hands filled from the owner's locker. */
// Long: one form whose answers decide what is asked next.
export function StartDay({ past }: { past: AssignmentSummary[] }) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const ids = { name: "start-name", day: useId(), from: useId(), style: useId(), text: useId() };
  // A day that nobody has worked on yet may be started again.
  const [asked] = useSearchParams();
  const again = asked.get("again");
  const [name, setName] = useState(asked.get("name") ?? "");
  const [day, setDay] = useState(asked.get("day") ?? "");
  const copyOf = asked.get("copy");
  const [from, setFrom] = useState(copyOf ? fromDay + copyOf : "wedding-indoor");
  const [style, setStyle] = useState("two-primes");
  const [second, setSecond] = useState(false);
  const [assistant, setAssistant] = useState(false);
  const [days, setDays] = useState("1");
  const [said, setSaid] = useState<Partial<Habits>>({});
  const [text, setText] = useState("");
  const { data } = useQuery({
    queryKey: ["starting"],
    queryFn: () => answer(api.GET("/api/starting")),
    // Kinds and habits may have been kept on a board since.
    refetchOnMount: "always",
  });
  // As you worked last, unless it is said otherwise here.
  const usual = { ...(data?.lead ?? {}), ...said };
  const habits: Habits = {
    ownMakeOnly: false,
    ...said,
    livesAtMm: usual.livesAtMm,
    light: usual.light,
    glass: data?.lead?.glass,
  };
  const template = data?.templates.find((t) => t.id === from);
  const copied = from.startsWith(fromDay) ? from.slice(fromDay.length) : null;
  const offered = past.filter((a, i) => i >= past.length - mostOffered || a.key === copied);
  const calendar = useCalendar((read) => {
    setText(read.timetable);
    setDay(read.day);
    if (!name && read.name) setName(read.name);
  });
  const start = useMutation({
    mutationFn: () =>
      copied
        ? answer(
            api.POST("/api/assignments/{key}/copies", {
              params: { path: { key: copied } },
              body: { name, day },
            }),
          )
        : answer(
            api.POST("/api/assignments", {
              body: {
                name,
                day,
                template: from === fromTimetable ? null : from,
                timetable: from === fromTimetable ? text : null,
                style: style || null,
                second,
                assistant,
                days: Number(days),
                habits,
                again,
                events: from === fromTimetable ? calendar.data?.events : null,
                timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
              },
            }),
          ),
    onSuccess: (added) => {
      void client.invalidateQueries({ queryKey: ["assignments"] });
      void navigate(`/${added.key}/day`);
    },
  });
  return (
    <form
      aria-label="Start a day"
      className="mt-6 border-t border-rule pt-3"
      onSubmit={(e) => {
        e.preventDefault();
        start.mutate();
      }}
    >
      <h2 className="text-[15px] font-bold">Start a day</h2>
      <div className="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
        <label htmlFor={ids.name} className="flex flex-col gap-0.5">
          Called
          <input
            id={ids.name}
            className="webbing w-56 font-normal"
            value={name}
            required
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <label htmlFor={ids.day} className="flex flex-col gap-0.5">
          On
          <input
            id={ids.day}
            type="date"
            className="webbing font-normal"
            value={day}
            required
            onChange={(e) => setDay(e.target.value)}
          />
        </label>
        <label htmlFor={ids.from} className="flex flex-col gap-0.5">
          From
          <Select id={ids.from} className="webbing font-normal" value={from} choose={setFrom}>
            {/* All at once: with half of them there the list would show, as chosen, what nobody chose. */}
            {data && (
              <>
                {Object.entries(kinds).map(([kind, word]) => (
                  <optgroup key={kind} label={word}>
                    {data?.templates
                      .filter((t) => t.kind === kind)
                      .map((t) => (
                        <option key={t.id} value={t.id}>
                          {t.name}
                        </option>
                      ))}
                  </optgroup>
                ))}
                <optgroup label="Or">
                  <option value={fromTimetable}>a timetable, pasted</option>
                  {offered.map((a) => (
                    <option key={a.key} value={fromDay + a.key}>
                      a copy of {a.name}, {date(a.start)}
                    </option>
                  ))}
                </optgroup>
              </>
            )}
          </Select>
        </label>
        {!copied && (
          <>
            <label htmlFor={ids.style} className="flex flex-col gap-0.5">
              In the hands
              <Select id={ids.style} className="webbing font-normal" value={style} choose={setStyle}>
                {data?.styles.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
                <option value="">nothing yet</option>
              </Select>
            </label>
            <Tick label="with a second photographer" on={second} set={setSecond} />
            <Tick label="with an assistant" on={assistant} set={setAssistant} />
            <Choose label="Days" value={days} options={dayCounts} choose={(count) => setDays(count || "1")} />
          </>
        )}
        <button className="webbing" disabled={start.isPending}>
          {again ? "Start it again" : "Start it"}
        </button>
      </div>
      {!copied && <HowYouWork habits={habits} set={setSaid} names={data?.glass ?? {}} />}
      {template && <p className="mt-1 text-quiet">{template.parts.join(" · ")}</p>}
      {from === fromTimetable && (
        <>
          <FileButton accept=".ics,text/calendar" choose={(file) => calendar.mutate({ file })}>
            From a calendar file
          </FileButton>
          {calendar.data?.notes.map((note) => (
            <p key={note} className="text-hangs">
              {note}
            </p>
          ))}
          {calendar.error && <Problem error={calendar.error} />}
          <label htmlFor={ids.text} className="mt-2 block">
            Timetable, one line for each part, such as 14:00 ceremony, chapel 40 min; a date or “day 2” begins
            another day
          </label>
          <textarea
            id={ids.text}
            rows={6}
            className="w-full border-2 border-ink bg-raised px-3 py-1.5"
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
          <TimetablePreview text={text} day={day} kinds={data?.kinds ?? []} retype={setText} />
        </>
      )}
      <p className="text-quiet">
        What is packed comes from{" "}
        <Link to="/locker" className="underline">
          your locker
        </Link>
        , as it will be that day.
      </p>
      <OwnKinds kinds={data?.kinds.filter((k) => k.own) ?? []} />
      {start.error && <Problem error={start.error} />}
    </form>
  );
}

const homes = [
  ["worn", "worn"],
  ["bag", "in the bag"],
  ["car", "in the car"],
  ["partner", "with the second"],
] as const;

/** What the new day's hands will follow. */
function UsualGlass({
  glass,
  names,
}: {
  glass: NonNullable<Habits["glass"]>;
  names: Record<string, string>;
}) {
  const usual = glass.filter((g) => g.lenses.some((id) => names[id]));
  if (usual.length === 0) return null;
  const said = usual.map(
    (g) => `${g.lenses.map((id) => names[id] ?? id).join(" or ")} for ${g.kind ?? "the rest"}`,
  );
  return <p className="text-quiet">Glass as you took it last: {said.join("; ")}.</p>;
}

/** Where photographers differ: it only fills in the new day. */
// Long: one form whose answers decide what is asked next.
function HowYouWork({
  habits,
  set,
  names,
}: {
  habits: Habits;
  set: (habits: Habits) => void;
  names: Record<string, string>;
}) {
  const put = (change: Partial<Habits>) => set({ ...habits, ...change });
  return (
    <details className="mt-1">
      <summary className="cursor-pointer py-1">How you work</summary>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <TypedField
          label="You live at, mm"
          form="millimetres"
          mayBeEmpty
          value={habits.livesAtMm == null ? "" : String(habits.livesAtMm)}
          commit={(mm) => put({ livesAtMm: mm === "" ? null : Number(mm) })}
        />
        <Choose
          label="By"
          value={habits.light ?? ""}
          empty="as each need has it"
          options={lightsLiked}
          choose={(light) => put({ light: light || null })}
        />
        <Choose
          label="Spares live"
          value={habits.backups ?? ""}
          empty="in the bag, as usual"
          options={homes}
          choose={(backups) => put({ backups: backups || null })}
        />
        <Tick
          label="every frame on two cards"
          on={habits.twoRecords !== false}
          set={(twoRecords) => put({ twoRecords })}
        />
        <Tick
          label="only batteries of the camera's maker"
          on={habits.ownMakeOnly}
          set={(ownMakeOnly) => put({ ownMakeOnly })}
        />
      </div>
      <UsualGlass glass={habits.glass ?? []} names={names} />
    </details>
  );
}

/** Kinds of part of one's own, which a timetable knows and every day can take. */
function OwnKinds({ kinds }: { kinds: PartKind[] }) {
  const client = useQueryClient();
  const drop = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/kinds/{id}", { params: { path: { id } } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["starting"] }),
  });
  if (kinds.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
      <span>Your own kinds of part:</span>
      {kinds.map((k) => (
        <span key={k.id} className="inline-flex items-center gap-1.5">
          <strong>{k.name}</strong> {k.minutes} min, {k.needs.length} needs
          <button
            type="button"
            className="webbing font-normal"
            aria-label={`Forget ${k.name}`}
            onClick={() => drop.mutate(k.id)}
          >
            Forget
          </button>
        </span>
      ))}
    </div>
  );
}

/** What the lines were taken for, before anything is made of them. A kind is chosen by writing it behind the line. */
function TimetablePreview({
  text,
  day,
  kinds,
  retype,
}: {
  text: string;
  day: string;
  kinds: PartKind[];
  retype: (text: string) => void;
}) {
  const asked = useDeferredValue(text);
  const { data } = useQuery({
    queryKey: ["timetable", asked, day],
    queryFn: () =>
      answer(api.POST("/api/starting/timetable", { body: { text: asked, day: day || "2027-01-01" } })),
    enabled: asked.trim().length > 0,
  });
  if (!data || asked.trim().length === 0) return null;
  const choose = (line: number, kind: string) => retype(withLine(text, line, (l) => withKind(l, kind)));
  return (
    <ol aria-label="Read as" className="my-1 max-w-4xl">
      {data.lines.map((l) => (
        <ReadLine key={l.line} line={l} kinds={kinds} choose={(kind) => choose(l.line, kind)} />
      ))}
      {data.problems.map((p) => (
        <li key={`${p.line} ${p.message}`} className="text-broken">
          line {p.line}: {p.message}
        </li>
      ))}
    </ol>
  );
}

/** A line with its kind chosen: behind it, in brackets. */
const withKind = (line: string, kind: string) =>
  `${line.replace(/\s*\[[^\]]*\]\s*$/, "")}${kind ? ` [${kind}]` : ""}`;

function ReadLine({
  line: l,
  kinds,
  choose,
}: {
  line: TimetableLine;
  kinds: PartKind[];
  choose: (kind: string) => void;
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-2 border-b border-rule py-0.5">
      <span className="tabular-nums">
        {time(l.start)}–{time(l.end)}
      </span>
      {!l.endSaid && <span className="text-quiet">end assumed</span>}
      <strong>{l.name}</strong> {l.location && <span>{l.location}</span>}
      {l.guess && <span className="text-hangs">{l.guess}</span>}
      <label className="ml-auto flex items-center gap-1">
        <span className={l.kind ? "text-quiet" : "text-hangs"}>
          {l.kind ? "as" : "no needs known for it: choose, or add them on the board"}
        </span>
        <Select
          aria-label={`Kind of ${l.name}`}
          className="webbing font-normal"
          value={l.kind ?? ""}
          choose={choose}
        >
          <option value="">none known</option>
          {kinds.map((k) => (
            <option key={k.id} value={k.id}>
              {k.name}
            </option>
          ))}
        </Select>
      </label>
    </li>
  );
}
