import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { useDay } from "../day/DayContext";
import { pullText, type Pull } from "../day/pulls";

interface Props {
  things: string[];
  body?: string | null;
  person: string;
  part: string;
  children: ReactNode;
}

/** What hangs on one strand, to pull any of it from this part on: each thing, the camera with all on it, who carries it. */
export function PullMenu({ things, body, person, part, children }: Props) {
  const { day, togglePull, changePull } = useDay();
  const choices: [Pull, string, string?][] = [
    ...things.map((item): [Pull, string] => [{ item }, day.name(item)]),
    ...(body ? [[{ kind: "rig", item: body }, `${day.name(body)} and all on it`] as [Pull, string]] : []),
    [{ kind: "person", item: person }, day.name(person), "is absent"],
  ];
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="start" className="z-10 border border-ink bg-raised py-1 shadow-md">
          <DropdownMenu.Label className="px-3 py-1 text-quiet">Pull from here on</DropdownMenu.Label>
          {choices.map(([pull, name, what]) => (
            <DropdownMenu.Item
              key={pullText(pull)}
              className="px-3 py-1.5 outline-none data-highlighted:bg-ink data-highlighted:text-ground"
              onSelect={() =>
                // What was out before and is mended by now fails again from here on.
                (day.isOut(pull) && !day.isOut(pull, part) ? changePull : togglePull)({ ...pull, part })
              }
            >
              {day.isOut(pull, part) ? `Put back ${name}` : `${name} ${what ?? ""}`}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
