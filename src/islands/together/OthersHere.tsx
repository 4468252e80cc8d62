import type { Present } from '../../contract/shapes/together.ts';
import { initialsOf } from './initials.ts';
import { useOthers } from './together-context.tsx';

/** So many are shown; of the rest their number. */
const mostShown = 2;

/** Those who are at a stop, by their initials. */
export function OthersAtStop({ stop, name }: { stop: string; name: string }) {
  const people = oncePerName(useOthers().filter(({ place }) => place === stop));
  if (people.length === 0) return null;
  const names = people.map((one) => one.name).join(', ');
  return (
    <span
      className="absolute bottom-0 left-[calc(50%+0.5rem)] flex gap-px"
      title={`${names} at ${name}`}
      data-testid={`others-${stop}`}
    >
      <Initials people={people} />
      <span className="sr-only">{`${names} at ${name}`}</span>
    </span>
  );
}

/** Those who are editing something, by their initials beside it. */
export function OthersAt({ thing }: { thing: string }) {
  const people = oncePerName(useOthers().filter((one) => one.thing === thing));
  if (people.length === 0) return null;
  const says = `${people.map(({ name }) => name).join(', ')} ${people.length === 1 ? 'is' : 'are'} editing this`;
  return (
    <span className="inline-flex gap-px align-middle" title={says} data-testid={`others-at-${thing}`}>
      <Initials people={people} />
      <span className="sr-only">{says}</span>
    </span>
  );
}

const oncePerName = (people: readonly Present[]): Present[] => [
  ...new Map(people.map((one) => [one.name, one])).values(),
];

function Initials({ people }: { people: readonly Present[] }) {
  return (
    <>
      {people.slice(0, mostShown).map(({ name }) => (
        <span key={name} className="badge badge-xs badge-primary px-1 text-[0.625rem]" aria-hidden>
          {initialsOf(name)}
        </span>
      ))}
      {people.length > mostShown && (
        <span className="badge badge-xs px-1 text-[0.625rem]" aria-hidden>{`+${people.length - mostShown}`}</span>
      )}
    </>
  );
}
