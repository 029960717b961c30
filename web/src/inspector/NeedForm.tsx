import { useState, type ReactNode } from "react";
import { Question } from "../shared/Question";
import { AsTyped, useTried } from "./AsTyped";
import type { Computed, Need, Part, Subject } from "../api/client";
import { Choose, Tick, Typing } from "../shared/Choose";
import { fNumber, focal, number, seconds, shutter } from "../shared/format";
import { useDay } from "../day/DayContext";
import { useTyped } from "../shared/useTyped";
import { colours, depths, fieldOf, forms, lightKinds, motions, subjects, text, worths } from "./needWords";

/** What a need asks, in the craft's words. What they come to stands under each field, whether or not it is typed over. */
// Long: one form whose fields take each other's place as words are chosen; apart each would ask for all the others.
export function NeedForm({
  part,
  need,
  computed: asIs,
  done,
}: {
  part: Part;
  need: Need;
  computed: Computed;
  done: () => void;
}) {
  const { day, editThen } = useDay();
  const [draft, setDraft] = useState(need);
  const [subject, setSubject] = useState<Subject | "">("");
  const fields = useTyped(forms, {
    near: text(need.framing?.distanceM[0]),
    far: text(need.framing?.distanceM[1]),
    people: "12",
    rows: "2",
    room: "12",
    focal: need.focal ? need.focal.join("–") : "",
    accept: need.accept ? need.accept.join("–") : "",
    tallest: text(need.framing?.tallestM),
    smallest: text(need.framing?.smallestM),
    close: text(need.closeWidthMm),
    closeMax: text(need.closeWidthMaxMm),
    shutter: shutter(need.shutterSeconds),
    blur: need.shortestShutterSeconds ? shutter(need.shortestShutterSeconds) : "",
    fps: need.fps ? text(need.fps) : "",
    burst: text(need.burstSeconds),
    ready: text(need.readySeconds),
    dueFrames: text(need.due?.frames),
    dueMinutes: text(need.due?.minutes),
    fNumber: text(need.minFNumber),
    depthM: need.depthM ? need.depthM.join("–") : "",
    soft: text(need.maxFNumber),
    megapixels: text(need.minMegapixels),
    print: need.deliverable ? `${need.deliverable.widthCm} × ${need.deliverable.heightCm}` : "",
    wait: text(need.toleranceSeconds),
    lasts: text(need.momentSeconds),
    warning: text(need.warningSeconds),
    ceiling: text(need.bounce?.ceilingM),
    path: text(need.flashPathM),
    loss: need.flashPathM == null ? "" : text(need.bounceLossStops),
    lights: text(need.stands?.count),
    lightM: text(need.stands?.distanceM),
    lightLoss: text(need.stands?.lossStops),
  });
  const typed = fields.texts;
  const [other, setOther] = useState<string[]>([]);
  const put = (change: Partial<Need>) => setDraft((d) => ({ ...d, ...change }));
  const field = (
    key: string,
    label: ReactNode,
    options: { width?: string; placeholder?: string; note?: ReactNode } = {},
  ) => (
    <Typing
      label={label}
      value={typed[key] ?? ""}
      type={(v) => fields.type(key, v)}
      problem={fields.problem(key)}
      {...options}
    />
  );
  const editOf = (values: (key: string) => number[]) => {
    const of = (key: string) => values(key)[0] ?? null;
    const range = (key: string): [number, number] | null => {
      const [low, high] = values(key);
      return low === undefined ? null : [low, high ?? low];
    };
    const [width, height] = values("print");
    return {
      type: "putNeed" as const,
      part: part.id,
      need: {
        ...draft,
        // The same frame from other places, where only those were changed.
        framing: draft.framing && {
          ...draft.framing,
          distanceM: [of("near") ?? draft.framing.distanceM[0] ?? 1, of("far") ?? of("near") ?? 1],
          tallestM: of("tallest"),
          smallestM: of("smallest"),
        },
        focal: range("focal"),
        accept: range("accept"),
        closeWidthMm: of("close"),
        closeWidthMaxMm: of("closeMax"),
        shutterSeconds: of("shutter") ?? draft.shutterSeconds,
        shortestShutterSeconds: of("blur"),
        fps: of("fps") ?? 0,
        burstSeconds: of("burst"),
        readySeconds: of("ready"),
        due: of("dueFrames")
          ? { ...need.due, frames: of("dueFrames") ?? 1, minutes: of("dueMinutes") ?? 0 }
          : null,
        minFNumber: of("fNumber"),
        depthM: range("depthM"),
        maxFNumber: of("soft"),
        minMegapixels: of("megapixels"),
        deliverable:
          width && height
            ? { ...draft.deliverable, widthCm: width, heightCm: height, dpi: draft.deliverable?.dpi ?? 240 }
            : null,
        toleranceSeconds: of("wait"),
        momentSeconds: of("lasts"),
        warningSeconds: of("warning"),
        bounce:
          of("ceiling") == null
            ? null
            : { ceilingM: of("ceiling") ?? 0, colour: draft.bounce?.colour ?? "white" },
        flashPathM: of("path"),
        bounceLossStops: of("loss") ?? 0,
        stands:
          of("lights") || of("lightM")
            ? { count: of("lights") ?? 1, distanceM: of("lightM") ?? 3, lossStops: of("lightLoss") ?? 0 }
            : null,
      },
      subject: subject || null,
      nearM: of("near"),
      farM: of("far"),
      people: subject === "group" ? of("people") : null,
      rows: subject === "group" ? of("rows") : null,
      roomM: subject === "room" ? of("room") : null,
      motion: draft.motion !== need.motion ? draft.motion : null,
    };
  };
  const change = async () => {
    const values = await fields.read();
    if (!values) return;
    editThen([editOf(values)], done, (error) => {
      const at = error.fields.map((f) => [fieldOf(f.field), f.message] as const);
      fields.refuse(Object.fromEntries(at.filter(([name]) => name)));
      setOther(at.filter(([name]) => !name).map(([, message]) => message));
    });
  };
  /** What is typed, or wrong, is not folded away. */
  const holds = (...keys: string[]) => keys.some((key) => typed[key] || fields.problem(key));
  const tried = useTried(day.board.key, part.id, need.id, fields.now ? editOf(fields.now) : null);
  const computed = tried?.asked.computed ?? asIs;
  return (
    <form
      aria-label="Change the need"
      className="my-1.5 flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void change();
      }}
    >
      <Question
        asks="What, and who takes it"
        says="a moment it shares, a thing that must be there, a camera left alone"
        open={!!draft.moment || !!draft.role || !!draft.unattended}
        more={
          <>
            <Typing
              label="Moment it shares"
              value={draft.moment ?? ""}
              type={(moment) => put({ moment: moment || null })}
              width="w-28"
              placeholder="none"
            />
            <Typing
              label="A thing that must be there"
              value={draft.role ?? ""}
              type={(role) => put({ role: role || null })}
              width="w-36"
              placeholder="audio recorder …"
            />
            <Tick
              label="a camera left alone may take it"
              on={!!draft.unattended}
              set={(on) => put({ unattended: on || null })}
            />
          </>
        }
      >
        <Typing label="Called" value={draft.name ?? ""} type={(name) => put({ name })} width="w-44" />
        <Choose
          label="Worth"
          value={draft.importance}
          options={worths}
          choose={(w) => w && put({ importance: w })}
        />
        <Choose
          label="Whose"
          value={draft.who}
          options={[
            ["any", "whoever is quickest"],
            ...day.board.plan.people
              .filter((p) => p.role !== "assistant")
              .map((p): [string, string] => [p.id, p.name ?? p.id]),
          ]}
          choose={(who) => put({ who: who || "any" })}
        />
      </Question>
      {!draft.role && (
        <>
          <Question
            asks="The frame"
            says="what is still fine, all along, megapixels"
            open={draft.covers === "all" || holds("tallest", "smallest", "accept", "megapixels")}
            more={
              <>
                <Tick
                  label="must be covered all along"
                  on={draft.covers === "all"}
                  set={(on) => put({ covers: on ? "all" : null })}
                />
                {draft.framing &&
                  field("tallest", "still the picture up to, m high", { placeholder: "no more" })}
                {draft.framing && field("smallest", "and down to, m", { placeholder: "no less" })}
                {field("accept", "or still fine, mm", {
                  width: "w-28",
                  placeholder: "from the frame",
                  note: computed.acceptMm && `the frame allows ${focal(computed.acceptMm)}`,
                })}
                {field("megapixels", "or MP", { placeholder: "by rule" })}
              </>
            }
          >
            <Choose
              label="In the frame"
              value={subject}
              empty="as it is"
              options={subjects}
              choose={setSubject}
            />
            {subject === "group" && (
              <>
                {field("people", "people", { width: "w-16" })}
                {field("rows", "rows", { width: "w-16" })}
              </>
            )}
            {subject === "room" && field("room", "wide, m", { width: "w-16" })}
            {field("near", "From, m", { width: "w-16" })}
            {field("far", "to, m", {
              width: "w-16",
              note: part.stayBehindM ? `line at ${number(part.stayBehindM)} m` : "",
            })}
            {draft.framing && (
              <Tick
                label="upright"
                on={draft.framing.upright}
                set={(upright) => draft.framing && put({ framing: { ...draft.framing, upright } })}
              />
            )}
            {field("focal", "or mm", {
              width: "w-28",
              placeholder: "from the frame",
              note: computed.focalMm && `the frame asks ${focal(computed.focalMm)}`,
            })}

            {field("close", "Close-up, mm wide", { placeholder: "none" })}
            {typed.close && field("closeMax", "still fine, mm wide", { placeholder: "no wider" })}
            {field("print", "Print, cm", {
              width: "w-24",
              placeholder: "60 × 40",
              note: computed.megapixels && `asks ${number(computed.megapixels)} MP`,
            })}
          </Question>
          <Question
            asks="Still and sharp"
            says="a blur, stitching, sharp from and to, a soft background"
            open={draft.static || holds("blur", "depthM", "soft")}
            more={
              <>
                {field("blur", "blurred: no faster than", { width: "w-24", placeholder: "any" })}
                <Tick
                  label="stands still, can be stitched"
                  on={draft.static}
                  set={(on) => put({ static: on })}
                />
                {field("depthM", "or sharp from–to, m", { width: "w-28", placeholder: "3–3.5" })}
                {field("soft", "soft beyond: f/ at most", { placeholder: "any" })}
              </>
            }
          >
            <Choose
              label="Moves"
              value={draft.motion ?? ""}
              empty="as typed"
              options={motions}
              choose={(motion) => put({ motion: motion || null })}
            />
            {field("shutter", "Shutter", {
              width: "w-24",
              note:
                computed.shutterSeconds && `${draft.motion ?? ""} asks ${shutter(computed.shutterSeconds)}`,
            })}

            {field("fps", "Frames a second")}
            {typed.fps && field("burst", "for, s", { placeholder: "till full" })}
            {typed.fps && field("ready", "ready again in, s", { placeholder: "any time" })}
            <Choose
              label="Depth"
              value={draft.depth ?? ""}
              empty="as typed"
              options={depths}
              choose={(depth) => put({ depth: depth || null })}
            />
            {field("fNumber", "or f/", {
              placeholder: "by depth",
              note: computed.fNumber && `depth asks ${fNumber(computed.fNumber)}`,
            })}
          </Question>
          <Question asks="By what light">
            <fieldset>
              <legend>By</legend>
              <div className="flex flex-wrap gap-x-4">
                {lightKinds.map(([kind, word]) => (
                  <Tick
                    key={kind}
                    label={word}
                    on={draft.light.includes(kind)}
                    set={(on) =>
                      put({ light: on ? [...draft.light, kind] : draft.light.filter((l) => l !== kind) })
                    }
                  />
                ))}
              </div>
            </fieldset>
            {draft.light.includes("flash") && (
              <>
                {field("ceiling", "Ceiling, m", { placeholder: "direct" })}
                <Choose
                  label="its colour"
                  value={draft.bounce?.colour ?? "white"}
                  options={colours}
                  choose={(colour) =>
                    colour && put({ bounce: { ceilingM: draft.bounce?.ceilingM ?? 3, colour } })
                  }
                />
                {field("path", "or path, m", {
                  placeholder: "by ceiling",
                  note:
                    computed.flashPathM &&
                    `the ceiling makes ${number(computed.flashPathM)} m, ${number(computed.flashLossStops ?? 0)} stops`,
                })}
                {field("loss", "and stops lost")}
              </>
            )}
            {draft.light.some((l) => l === "stands" || l === "continuous") && (
              <>
                {field("lights", "Lights asked", { placeholder: "1" })}
                {field("lightM", "m from the subject", { placeholder: "3" })}
                {field("lightLoss", "stops lost in modifiers", { placeholder: "0" })}
              </>
            )}
          </Question>
        </>
      )}
      {other.map((message) => (
        <p key={message} role="alert" className="text-broken">
          {message}
        </p>
      ))}
      <Question asks="When">
        {field("wait", "Can wait, s", {
          placeholder: "by worth",
          note:
            computed.toleranceSeconds == null
              ? "else without limit"
              : `else ${seconds(computed.toleranceSeconds)}`,
        })}
        {field("lasts", "The moment lasts, s")}
        {field("warning", "warned before, s")}
        {field("dueFrames", "Frames somebody waits for", { placeholder: "none" })}
        {typed.dueFrames && field("dueMinutes", "minutes after the part", { placeholder: "0" })}
      </Question>
      {/* In view however long the form is: what it would come to, and the way out. */}
      <div className="sticky -bottom-2.5 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-ink bg-raised py-1.5">
        <AsTyped tried={tried} />
        <button className="webbing">Change it</button>
        <button type="button" className="webbing" onClick={done}>
          Leave it
        </button>
      </div>
    </form>
  );
}
