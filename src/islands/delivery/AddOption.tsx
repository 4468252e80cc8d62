import { addStarterSet } from '../../client/edits/option-edits.ts';
import { freshId } from '../../client/edits/set-at.ts';
import { starterSets, starterOptions, type StarterSet } from '../../core/charges/starter-sets.ts';
import type { Coordinates, Policy } from '../../core/policy/types.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';

/** Near a shop of the store, where one is set up; else somewhere that shows how it is set. */
const centerOf = ({ places = {} }: Policy): Coordinates =>
  Object.values(places).find(({ coordinates }) => coordinates)?.coordinates ?? { latitude: 52, longitude: 5 };

/** The last row of a zone's options: kinds to begin with, of which the first one added is opened. */
export function AddOption({
  zoneId,
  none,
  added,
}: {
  zoneId: string;
  /** the zone has no option yet */
  none: boolean;
  added: (option: string) => void;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const begin = (set: StarterSet['id']) => {
    const market = policy.markets[policy.zones[zoneId]!.market]!;
    const [first] = starterOptions(set, market.currency, market.languages, centerOf(policy));
    const id = freshId(`${zoneId}-${first!.id}`, policy.options);
    if (edit(addStarterSet(zoneId, set, centerOf(policy)))) added(id);
  };
  return (
    <p className="flex flex-wrap items-center gap-1 py-1 text-small">
      <span className="mr-1 font-semibold">{none ? 'Nothing is offered here. Add an option' : 'Add an option'}</span>
      {starterSets.map(({ id, name, says }) => (
        <button
          key={id}
          type="button"
          className="btn btn-xs"
          title={says}
          onClick={() => begin(id)}
          data-testid={`starter-${id}`}
        >
          {name}
        </button>
      ))}
    </p>
  );
}
