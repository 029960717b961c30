import { Fragment, useState } from "react";
import type { CardLoss, CardWay } from "../api/client";
import { number, time } from "../shared/format";
import type { CardsPage } from "./Cards";
import { wayWords } from "./wayWords";

const keyOf = (loss: CardLoss) => (loss.kind === "card" ? "card" : `${loss.kind}/${loss.id}`);

const size = (loss: CardLoss | undefined) => (loss ? loss.frames + loss.jpegOnly : 0);

const order: CardLoss["kind"][] = ["card", "camera", "wallet", "place", "person"];

const words = (l: CardLoss, name: (id: string) => string) =>
  ({
    card: "one card dies, or is formatted",
    camera: `the ${name(l.id)} is stolen`,
    wallet: `the wallet of ${name(l.id)} is lost`,
    place: `the ${name(l.id)} is stolen or broken into`,
    person: `all that ${name(l.id)} carries`,
  })[l.kind];

/** What each loss would take at its worst moment, in frames, side by side with other habits; a row opens to what the pictures are. */
export function Losses(page: CardsPage) {
  const [open, setOpen] = useState<string | null>(null);
  const { ways } = page.cards.plan;
  const rows = new Map(
    ways.flatMap((w) => w.losses.filter((l) => l.kind === "card" || size(l) > 0)).map((l) => [keyOf(l), l]),
  );
  const sorted = [...rows].sort(([, a], [, b]) => order.indexOf(a.kind) - order.indexOf(b.kind));
  return (
    <section aria-label="What would be gone">
      <h2 className="text-[15px] font-bold">Frames gone at the worst moment, if</h2>
      <table className="w-full text-right">
        <Head ways={ways} />
        <tbody>
          {sorted.map(([key, loss]) => (
            <Row
              key={key}
              loss={loss}
              isOpen={open === key}
              toggle={() => setOpen(open === key ? null : key)}
              {...page}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

const Head = ({ ways }: { ways: CardWay[] }) => (
  <thead>
    <tr className="text-quiet">
      <th scope="col" className="sr-only">
        Loss
      </th>
      {ways.map((w) => (
        <th key={w.kind} scope="col" className="narrow w-16 pl-2 align-bottom font-normal">
          {wayWords[w.kind].toLowerCase()}
        </th>
      ))}
    </tr>
  </thead>
);

function Row({
  loss,
  isOpen,
  toggle,
  ...page
}: CardsPage & { loss: CardLoss; isOpen: boolean; toggle: () => void }) {
  const { ways } = page.cards.plan;
  const of = (w: CardWay) => w.losses.find((l) => keyOf(l) === keyOf(loss));
  const planned = of(ways[0]!);
  return (
    <Fragment>
      <tr className="border-t border-rule">
        <th scope="row" className="py-0.5 text-left font-normal">
          {size(planned) > 0 ? (
            <button
              className="min-h-[24px] text-left underline decoration-dotted max-[700px]:min-h-[44px]"
              aria-expanded={isOpen}
              onClick={toggle}
            >
              {words(loss, page.name)}
            </button>
          ) : (
            words(loss, page.name)
          )}
        </th>
        {ways.map((w, i) => (
          <Cell key={w.kind} loss={of(w)} isPlanned={i === 0} />
        ))}
      </tr>
      {isOpen && planned && (
        <tr>
          <td colSpan={ways.length + 1} className="bg-raised px-2 py-1 text-left">
            <Gone {...page} loss={planned} />
          </td>
        </tr>
      )}
    </Fragment>
  );
}

const Cell = ({ loss, isPlanned }: { loss: CardLoss | undefined; isPlanned: boolean }) => (
  <td className={isPlanned ? "font-bold" : ""}>
    {number(loss?.frames ?? 0)}
    {loss && loss.jpegOnly > 0 && (
      <span className="narrow block font-normal text-quiet">{number(loss.jpegOnly)} as JPEG only</span>
    )}
  </td>
);

function Gone({ loss, part, need }: CardsPage & { loss: CardLoss }) {
  return (
    <>
      <p>
        {loss.time ? `Worst at ${time(loss.time)}` : "Worst"} in {part(loss.part ?? "")}:{" "}
        {loss.parts.map((p) => `${part(p.part)} ${number(p.frames)}`).join(", ")}.
      </p>
      {loss.pictures.length > 0 && (
        <p>
          <strong>With them go</strong>{" "}
          {loss.pictures.map((p) => `${need(p.part, p.need)} (${part(p.part)})`).join(", ")}.
        </p>
      )}
    </>
  );
}
