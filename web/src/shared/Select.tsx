import { useRef, useState, type ComponentProps } from "react";

interface Props extends Omit<ComponentProps<"select">, "value" | "onChange"> {
  value: string;
  choose: (value: string) => void;
}

/**
 * A list to choose from. An arrow key only looks at the next entry: what is looked at is taken with Enter or by leaving the list, and Esc
 * goes back to what was chosen.
 */
export function Select({ value, choose, className = "", ...rest }: Props) {
  const [looked, setLooked] = useState<string | null>(null);
  const byKey = useRef(false);
  const take = () => {
    if (looked !== null && looked !== value) choose(looked);
    setLooked(null);
  };
  return (
    <select
      {...rest}
      className={`${className} ${looked !== null && looked !== value ? "border-dashed" : ""}`}
      value={looked ?? value}
      onPointerDown={() => {
        byKey.current = false;
      }}
      onKeyDown={(e) => {
        byKey.current = true;
        if (e.key === "Enter" && looked !== null) {
          e.preventDefault();
          take();
        } else if (e.key === "Escape" && looked !== null) {
          e.preventDefault();
          e.stopPropagation();
          setLooked(null);
        }
      }}
      onBlur={take}
      onChange={(e) => {
        if (byKey.current) setLooked(e.target.value);
        else choose(e.target.value);
      }}
    />
  );
}
