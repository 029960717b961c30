import type { ReactNode } from "react";

/** A button that asks for a file; the same file may be chosen again, after it was changed. */
export function FileButton({
  accept,
  choose,
  children,
}: {
  accept: string;
  choose: (file: File) => void;
  children: ReactNode;
}) {
  return (
    <label className="webbing inline-block cursor-pointer focus-within:outline-2">
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = "";
          if (file) choose(file);
        }}
      />
    </label>
  );
}
