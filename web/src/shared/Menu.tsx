import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";

const entry =
  "block w-full cursor-pointer px-3 py-1.5 text-left outline-none data-highlighted:bg-ink data-highlighted:text-ground max-[700px]:py-3";

/** What is wanted now and then, behind one word. */
export function Menu({ label, named, children }: { label: ReactNode; named?: string; children: ReactNode }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="py-1" aria-label={named}>
        {label}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-20 max-h-[80vh] overflow-auto border border-ink bg-raised py-1 shadow-md"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** An entry that does something. */
export function Entry({
  does,
  phone,
  children,
}: {
  does: () => void;
  /** Only where there is no room for it beside the menu. */
  phone?: boolean;
  children: ReactNode;
}) {
  return (
    <DropdownMenu.Item className={`${entry} ${phone ? "min-[701px]:hidden" : ""}`} onSelect={does}>
      {children}
    </DropdownMenu.Item>
  );
}

/** An entry that is a link. */
export function LinkEntry({ phone, children }: { phone?: boolean; children: ReactNode }) {
  return (
    <DropdownMenu.Item asChild className={`${entry} ${phone ? "min-[701px]:hidden" : ""}`}>
      {children}
    </DropdownMenu.Item>
  );
}
