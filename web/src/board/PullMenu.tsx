import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { useDay } from "./DayContext";

/** What hangs on one strand, to pull any of it from this part on. */
export function PullMenu({
  things,
  part,
  children,
}: {
  things: string[];
  part: string;
  children: ReactNode;
}) {
  const { day, togglePull, changePull } = useDay();
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-10 border border-ink bg-raised py-1 shadow-md">
          <DropdownMenu.Label className="px-3 py-1 text-quiet">Pull from here on</DropdownMenu.Label>
          {things.map((id) => (
            <DropdownMenu.Item
              key={id}
              className="px-3 py-1.5 outline-none data-highlighted:bg-ink data-highlighted:text-ground"
              onSelect={() =>
                // What was out before and is mended by now fails again from here on.
                (day.isPulled(id) && !day.isPulled(id, part) ? changePull : togglePull)({ item: id, part })
              }
            >
              {day.isPulled(id, part) ? "Put back " : ""}
              {day.name(id)}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
