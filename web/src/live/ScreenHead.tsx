/** What a screen asks, and the way back to now. */
export const ScreenHead = ({
  title,
  back,
  word = "Back",
}: {
  title: string;
  back: () => void;
  word?: string;
}) => (
  <header className="flex items-baseline justify-between gap-3">
    <h1 className="text-xl font-bold">{title}</h1>
    <button className="webbing" onClick={back}>
      {word}
    </button>
  </header>
);
