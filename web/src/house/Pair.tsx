import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useLocation, useNavigate } from "react-router";
import { answer, api } from "../api/client";
import { keepName } from "../lists/ticker";
import { Problem } from "../shared/Problem";
import { keepToken } from "../api/token";

const lookAgainMs = 1_000;

/** A phone that has read the main screen's picture asks to be let in. */
export function Pair() {
  const secret = useLocation().hash.slice(1);
  const [called, setCalled] = useState("");
  useEffect(() => {
    document.title = "Let in · Yoke Pair";
  }, []);
  const ask = useMutation({
    mutationFn: () => answer(api.POST("/api/house/pairings", { body: { secret, name: called } })),
  });
  return (
    <main className="p-4 text-[15px]">
      <h1 className="text-xl font-semibold">Let this phone in</h1>
      {ask.data ? (
        <Waiting begun={ask.data} called={called} />
      ) : (
        <Ask called={called} call={setCalled} ask={ask} />
      )}
    </main>
  );
}

interface AskProps {
  called: string;
  call: (name: string) => void;
  ask: { mutate: () => void; isPending: boolean; error: Error | null };
}

const Ask = ({ called, call, ask }: AskProps) => (
  <form
    className="mt-3 flex flex-col gap-3"
    onSubmit={(e) => {
      e.preventDefault();
      ask.mutate();
    }}
  >
    <label className="flex flex-col gap-1">
      Whose phone is it?
      <input
        className="webbing text-[17px] font-normal"
        value={called}
        required
        maxLength={40}
        autoComplete="off"
        onChange={(e) => call(e.target.value)}
      />
    </label>
    <button className="webbing min-h-[72px]" disabled={ask.isPending}>
      Ask at the main screen
    </button>
    {ask.error && <Problem error={ask.error} />}
  </form>
);

/** Both screens show the same code, or it is somebody else's phone. */
function Waiting({ begun, called }: { begun: { key: string; code: string }; called: string }) {
  const navigate = useNavigate();
  const { data, error } = useQuery({
    queryKey: ["pairing", begun.key],
    refetchInterval: ({ state }) => (state.data?.state === "waiting" || !state.data ? lookAgainMs : false),
    queryFn: () => answer(api.POST("/api/house/pairings/{key}", { params: { path: { key: begun.key } } })),
  });
  const token = data?.token;
  useEffect(() => {
    if (!token) return;
    keepToken(token);
    keepName(called);
    void navigate("/house", { replace: true });
  }, [token, called, navigate]);
  if (data?.state === "refused")
    return <p role="alert">The main screen said no, or it took too long. Let it show another picture.</p>;
  return (
    <>
      <p className="mt-3">The main screen must show the same:</p>
      <p className="my-3 text-5xl font-bold" data-testid="code">
        {begun.code}
      </p>
      <p role="status">Say yes there if it does, no if it does not.</p>
      {error && <Problem error={error} />}
    </>
  );
}
