/** The keys of the screen one is on. */
export function KeysHelp({ keys, close }: { keys: [string, string][]; close: () => void }) {
  return (
    <section aria-label="Keys" className="border-t-2 border-ink bg-raised px-4 py-3">
      <dl className="grid grid-cols-[max-content_1fr] gap-x-6 gap-y-1">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="font-semibold">{key}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <button className="webbing mt-2" onClick={close}>
        Close
      </button>
    </section>
  );
}
