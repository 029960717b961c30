import { time } from "../shared/format";
import type { CardsPage } from "./Cards";

/** On paper only: a sheet for each wallet, to be cut apart, with what goes into it when and a box to tick. */
export function WalletSheets(page: CardsPage) {
  const { cards, plan } = page;
  const sheets = plan.people.filter((p) =>
    cards.plan.moves.some((m) => m.kind === "wallet" && m.where === p.id),
  );
  return (
    <div className="hidden break-before-page grid-cols-2 gap-6 print:grid" aria-hidden>
      {sheets.map((p) => (
        <Sheet key={p.id} person={p.id} {...page} />
      ))}
    </div>
  );
}

function Sheet({ person, cards, parts, name, face, part }: CardsPage & { person: string }) {
  const comes = cards.plan.moves.filter((m) => m.kind === "wallet" && m.where === person);
  const at = (id: string | null | undefined) =>
    id ? `${time(parts.find((p) => p.id === id)?.start)} before ${part(id)}` : "after the last part";
  return (
    <section className="break-inside-avoid border border-ink p-3 text-[13px]">
      <h2 className="text-[15px] font-bold">The wallet of {name(person)}</h2>
      <ul>
        {comes.map((m) => (
          <li
            key={`${m.card} ${m.part}`}
            className="grid grid-cols-[1.2rem_4rem_1fr] border-t border-rule py-1"
          >
            <span>☐</span>
            <strong className="text-lg leading-none">{face(m.card)}</strong>
            <span>{at(m.part)}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1">Used cards lie face down. None goes back into a camera today.</p>
    </section>
  );
}
