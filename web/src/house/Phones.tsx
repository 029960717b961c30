import { type QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type PairingOffer, type PhonePage } from "../api/client";
import { date, time } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";

const lookAgainMs = 1_000;
const queryKey = ["phones"];

/** The phones in the house that may tick lists: letting them in, and sending them away. */
export function Phones() {
  const { data, error } = useQuery({
    queryKey,
    refetchInterval: lookAgainMs,
    queryFn: ({ signal }) => answer(api.GET("/api/phones", { signal })),
  });
  return (
    <>
      <PageHeader view="Phones" />
      <main className="mx-auto max-w-4xl px-4 py-5">
        <h1 className="text-xl font-semibold">{data ? headline(data) : "Opening …"}</h1>
        {error && <Problem error={error} />}
        {data && (data.address ? <Open page={data} /> : <HowToOpen />)}
        {data && data.phones.length > 0 && <Known page={data} />}
      </main>
    </>
  );
}

const headline = ({ address, phones }: PhonePage) =>
  !address
    ? "No phone can come in: the house is not open."
    : phones.length === 0
      ? "No phone is let in yet."
      : `${phones.length} ${phones.length === 1 ? "phone ticks" : "phones tick"} along.`;

const HowToOpen = () => (
  <p className="mt-2 max-w-[46rem]">
    Start the program with <code>./yoke run --house</code> and a certificate, a proxy of your own, or plain
    HTTP for a day; the README says how. Phones then see the lists and tick; nothing else, and nothing of it
    leaves the house.
  </p>
);

const lookAgain = (client: QueryClient) => ({ onSuccess: () => client.invalidateQueries({ queryKey }) });

function Open({ page }: { page: PhonePage }) {
  const client = useQueryClient();
  const offer = useMutation({ mutationFn: () => answer(api.POST("/api/phones/pairings")) });
  const letIn = useMutation({
    mutationFn: (id: string) => answer(api.POST("/api/phones/waiting/{id}", { params: { path: { id } } })),
    ...lookAgain(client),
  });
  const refuse = useMutation({
    mutationFn: (id: string) => answer(api.DELETE("/api/phones/waiting/{id}", { params: { path: { id } } })),
    ...lookAgain(client),
  });
  return (
    <section aria-label="Let a phone in" className="mt-3">
      {page.isPlain && (
        <p role="note" className="max-w-[46rem] font-semibold text-hangs">
          This is plain HTTP: anyone on this network can read along, and could take a phone’s place. Each
          phone is let in for a day only.
        </p>
      )}
      <p className="mt-2">
        <button className="webbing" onClick={() => offer.mutate()}>
          Let a phone in
        </button>
      </p>
      {offer.error && <Problem error={offer.error} />}
      {offer.data && page.waiting.length === 0 && <Offered {...offer.data} />}
      <ul>
        {page.waiting.map((phone) => (
          <Wants
            key={phone.id}
            phone={phone}
            yes={() => letIn.mutate(phone.id)}
            no={() => refuse.mutate(phone.id)}
          />
        ))}
      </ul>
      {(letIn.error ?? refuse.error) && <Problem error={(letIn.error ?? refuse.error)!} />}
    </section>
  );
}

/** What the phone's camera reads, and the same in letters. */
const Offered = ({ qr, address, until }: PairingOffer) => (
  <p className="mt-3 flex flex-wrap items-center gap-4">
    <img src={qr} alt="What the phone’s camera reads" className="size-48 bg-white" />
    <span className="max-w-[26rem]">
      Point the phone’s camera at it, or open{" "}
      <span className="wrap-anywhere" data-testid="pairing">
        {address}
      </span>
      . Good for one phone, until {time(until)}.
    </span>
  </p>
);

/** A phone that wants in, with the code that both screens show. */
const Wants = ({ phone, yes, no }: WantsProps) => (
  <li className="mt-3 border-2 border-ink p-3">
    <p>
      <strong>{phone.name}</strong> wants in. Does the phone show the same?
    </p>
    <p className="my-2 text-4xl font-bold">{phone.code}</p>
    <p className="flex gap-3">
      <button className="webbing" onClick={yes}>
        The same: let it in
      </button>
      <button className="webbing" onClick={no}>
        Another: no
      </button>
    </p>
  </li>
);

interface WantsProps {
  phone: PhonePage["waiting"][number];
  yes: () => void;
  no: () => void;
}

function Known({ page }: { page: PhonePage }) {
  const client = useQueryClient();
  const away = useMutation({
    mutationFn: (id: number) => answer(api.DELETE("/api/phones/{id}", { params: { path: { id } } })),
    ...lookAgain(client),
  });
  return (
    <section aria-label="Phones that are let in" className="mt-5">
      <h2 className="text-[15px] font-bold">Let in</h2>
      <ul>
        {page.phones.map((phone) => (
          <li key={phone.id} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
            <strong>{phone.name}</strong>
            <span className="text-quiet">
              since {date(phone.pairedAt)}
              {phone.until && `, until ${date(phone.until)} ${time(phone.until)}`}
            </span>
            <button
              className="min-h-[24px] underline"
              aria-label={`Send ${phone.name} away`}
              onClick={() => away.mutate(phone.id)}
            >
              Send it away
            </button>
          </li>
        ))}
      </ul>
      {away.error && <Problem error={away.error} />}
    </section>
  );
}
