import { Diamond } from 'lucide-react';
import { places, type TextPlace } from '../../core/wording/places.ts';
import { textPlaces } from '../../core/wording/text-address.ts';
import { Choices } from '../../ui/Choices.tsx';
import { usePolicy } from '../page/draft-context.tsx';

/** The places; one with a text of its own in this language is marked. */
export function PlaceChoices({
  speakerId,
  language,
  place,
  choose,
}: {
  speakerId: string;
  language: string;
  place: TextPlace;
  choose: (place: TextPlace) => void;
}) {
  const { wording } = usePolicy();
  const hasOwn = (id: TextPlace): boolean =>
    id !== 'everyPlace' &&
    Object.values(wording[speakerId] ?? {}).some((byPlace) => byPlace[id]?.[language] !== undefined);
  return (
    <p className="mb-2 flex flex-wrap items-baseline gap-x-2">
      <span className="text-soft">at</span>
      <Choices
        label="Place in the shop"
        choices={textPlaces.map((id) => [id, <PlaceName key={id} place={id} own={hasOwn(id)} />])}
        chosen={place}
        choose={(id) => choose(id as TextPlace)}
        prefix="place"
      />
    </p>
  );
}

function PlaceName({ place, own }: { place: TextPlace; own: boolean }) {
  return (
    <>
      {place === 'everyPlace' ? 'every place' : places[place].short}
      {own && (
        <span title="has texts of its own">
          <Diamond size={8} className="fill-current text-ember" aria-hidden />
          <span className="sr-only">, has texts of its own</span>
        </span>
      )}
    </>
  );
}
