import type { Person } from "../api/client";
import type { BagsPage } from "./Bags";
import { ofPerson } from "../day/planChange";
import { FigureField } from "./FigureField";
import { Named } from "./Named";
import { camerasOnWords } from "./placeWords";

/** Where somebody's cameras hang, and the most they want on their shoulders. */
export function PeopleSettings({ plan, edit }: BagsPage) {
  const put = (person: Person, some: Partial<Person>) => edit(ofPerson(person.id, () => some));
  return (
    <details className="mt-2 print:hidden">
      <summary className="min-h-[24px] cursor-pointer font-semibold">
        Where the cameras hang, and how much is enough
      </summary>
      <ul className="flex flex-wrap gap-6">
        {plan.people.map((person) => (
          <li
            key={person.id}
            role="group"
            aria-label={person.name ?? person.id}
            className="flex flex-col gap-1"
          >
            <strong>{person.name ?? person.id}</strong>
            <Named
              label="Cameras hang"
              none="on the shoulders"
              words={camerasOnWords}
              value={person.camerasOn}
              choose={(camerasOn) => put(person, { camerasOn })}
            />
            <FigureField
              label="At the most on the shoulders, g"
              value={person.limitG}
              commit={(figure) => put(person, { limitG: figure })}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}
