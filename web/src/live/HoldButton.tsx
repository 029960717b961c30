import { useRef, useState, type ReactNode } from "react";

const heldMs = 450;

interface Props {
  onHeld: () => void;
  pressed?: boolean;
  label?: string;
  className?: string;
  children: ReactNode;
}

/** Done by holding, so that a thumb brushing over it does nothing; at once by keyboard and by those who do not see it. */
export function HoldButton({ onHeld, pressed, label, className, children }: Props) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [holding, setHolding] = useState(false);
  const stop = () => {
    clearTimeout(timer.current);
    setHolding(false);
  };
  return (
    <button
      aria-pressed={pressed}
      aria-label={label}
      data-holding={holding || undefined}
      className={`hold select-none ${className ?? ""}`}
      onPointerDown={() => {
        setHolding(true);
        timer.current = setTimeout(() => {
          setHolding(false);
          onHeld();
        }, heldMs);
      }}
      onPointerUp={stop}
      onPointerLeave={stop}
      onPointerCancel={stop}
      onContextMenu={(e) => e.preventDefault()}
      // A click without a pointer is a key or a screen reader.
      onClick={(e) => e.detail === 0 && onHeld()}
    >
      {children}
    </button>
  );
}
