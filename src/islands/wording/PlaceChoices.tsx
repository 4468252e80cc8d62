import { places, type TextPlace } from '../../core/wording/places.ts';
import { textPlaces } from '../../core/wording/text-address.ts';
import { usePolicy } from '../page/draft-context.tsx';

/** The places; one with a text of its own in this language is marked. */
export function PlaceChoices({
  offerId,
  language,
  place,
  choose,
}: {
  offerId: string;
  language: string;
  place: TextPlace;
  choose: (place: TextPlace) => void;
}) {
  const { wording } = usePolicy();
  return (
    <p className="mb-2 flex flex-wrap items-baseline gap-x-1" role="group" aria-label="Place in the shop">
      <span className="text-soft">at</span>
      {textPlaces.map((id) => {
        const own =
          id !== 'everyPlace' &&
          Object.values(wording[offerId] ?? {}).some((byPlace) => byPlace[id]?.[language] !== undefined);
        return (
          <button
            key={id}
            type="button"
            className="btn btn-ghost btn-xs"
            aria-pressed={id === place}
            onClick={() => choose(id)}
            data-testid={`place-${id}`}
          >
            {id === 'everyPlace' ? 'every place' : places[id].short}
            {own && (
              <span className="text-ember" title="has texts of its own">
                {' '}
                ◆
              </span>
            )}
          </button>
        );
      })}
    </p>
  );
}
