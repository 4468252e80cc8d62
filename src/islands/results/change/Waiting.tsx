import { part } from '../../page/parts.ts';

const parts = ['figures', 'order values', 'week by week', 'what else changed'];

/** Stands where everything will stand, so that what is below does not come up only to be pushed away. */
export function Waiting({ says }: { says: string }) {
  return (
    <div className="min-h-[75rem]">
      {parts.map((name) => (
        <section key={name} ref={part(name)} />
      ))}
      <p className="py-2 text-soft">{says}</p>
    </div>
  );
}
