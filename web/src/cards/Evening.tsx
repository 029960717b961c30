import { number, shortDate } from "../shared/format";
import type { CardsPage } from "./Cards";

type OneEvening = CardsPage & { evening: CardsPage["cards"]["plan"]["evenings"][number] };

/** What is copied on what, of several days each evening; then who drives home with what, and what cannot be read or is old. */
export function Evening(page: CardsPage) {
  const { evenings } = page.cards.plan;
  return (
    <>
      {evenings.map((evening, i) => (
        <Copies key={evening.part} {...page} evening={evening} isLast={i === evenings.length - 1} />
      ))}
    </>
  );
}

function Copies({ evening, isLast, ...page }: OneEvening & { isLast: boolean }) {
  const title = isLast ? "Before you leave" : `The evening of ${shortDate(evening.leaveAt!)}`;
  return (
    <section aria-label={title}>
      <h2 className="text-[15px] font-bold">{title}</h2>
      {evening.runs.length === 0 && <p>There is no drive or reader in the plan: nothing is copied.</p>}
      {evening.runs.map((run) => (
        <Run key={run.copier} run={run} {...page} />
      ))}
      {evening.runs.length > 0 && (
        <p>
          {evening.minutes === 0
            ? "All is done when the last part is over."
            : `Done ${number(evening.minutes)} minutes after the last part.`}
        </p>
      )}
      {evening.halvesUnread.length > 0 && (
        <p>
          Nothing there reads {evening.halvesUnread.map(page.face).join(", ")}: the other half of each is
          copied.
        </p>
      )}
      <Homes {...page} evening={evening} />
      {isLast && <Old {...page} />}
    </section>
  );
}

const Run = ({ run, name, face }: CardsPage & { run: OneEvening["evening"]["runs"][number] }) => (
  <p>
    {number(run.gigabytes)} GB to the {name(run.copier)} at {number(run.megabytesPerSecond)} MB a second
    {run.isUsual && <em className="text-quiet"> (usual; nobody has measured it)</em>}
    {run.cards.length > 0 && <>: cards {run.cards.map(face).join(", ")}</>}
  </p>
);

function Homes({ evening, name, face }: OneEvening) {
  const { homes } = evening;
  if (homes.length === 0) return null;
  const withWhat = (h: (typeof homes)[number]) =>
    [
      h.cards.length > 0 && `${h.cards.length === 1 ? "card" : "cards"} ${h.cards.map(face).join(", ")}`,
      ...h.copiers.map((c) => `the ${name(c)}`),
    ]
      .filter(Boolean)
      .join(" and ");
  return (
    <ul aria-label="Who drives home with what">
      {homes.map((h) => (
        <li key={h.person} className="border-t border-rule py-0.5">
          Home with <strong>{name(h.person)}</strong>: {withWhat(h)}
        </li>
      ))}
    </ul>
  );
}

/** Cards of one age tend to fail together: both halves should not be on such. */
function Old({ cards, name, part, face }: CardsPage) {
  const { old, oldPairs } = cards.plan;
  if (old.length === 0) return null;
  return (
    <p role="note">
      In use for four years and more: {old.map(face).join(", ")}.{" "}
      {oldPairs.map((p) => (
        <strong key={p.body} className="text-hangs">
          Both halves of {p.parts.map(part).join(", ")} in the {name(p.body)} are on such. Put a newer card in
          one slot.{" "}
        </strong>
      ))}
    </p>
  );
}
