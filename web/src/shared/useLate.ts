import { useEffect, useState } from "react";

/** True once something has been true for a while: what is over at once need not be told. */
export function useLate(value: boolean, milliseconds: number) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!value) return;
    const timer = setTimeout(() => setLate(true), milliseconds);
    return () => {
      clearTimeout(timer);
      setLate(false);
    };
  }, [value, milliseconds]);
  return value && late;
}
