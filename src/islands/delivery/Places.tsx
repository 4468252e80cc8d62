import { usedInWords } from './option-words.ts';
import { useMemo } from 'react';
import { setHours } from '../../client/edits/option-edits.ts';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { countOptions } from '../../core/options/count-options.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Market, PickUpPlace } from '../../core/policy/types.ts';
import type { Parsed } from '../../ui/TypedField.tsx';
import { CountryChoice } from '../fields/choices/CountryChoice.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { EditedTexts } from '../fields/EditedTexts.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useEdit, useGuardedEdit } from '../page/use-edit.tsx';
import { orNone, parseName, parsePosition, parseText } from '../fields/typed-text.ts';
import { hoursInText, readHours, weekdays } from './opening-hours.ts';
import { part } from '../page/parts.ts';

/** Where shoppers collect: address, position, opening hours and what they read. */
export function Places({ market }: { market: Market }) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const places = inOrder(policy.places ?? {});
  const used = useMemo(() => countOptions(policy.options, (option) => option.place), [policy.options]);
  const { origin } = policy.store;
  const add = () =>
    edit(
      setAt(['places', freshId('place', policy.places ?? {})], {
        order: orderAfterLast(policy.places ?? {}),
        name: `Place ${places.length + 1}`,
        address: { street: '', postcode: origin.postcode, town: '', country: origin.country },
      } satisfies PickUpPlace),
    );
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('pick-up places')} className="mt-3 border-t border-hairline pt-2" aria-label="Pick-up places">
        <h2 className="text-title">Pick-up places</h2>
        {refusal}
        <ul>
          {places.map(([id, place]) => (
            <Place key={id} id={id} place={place} market={market} used={used.get(id) ?? 0} />
          ))}
        </ul>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-place">
          Add a place
        </button>
      </section>
    </GuardedEdits>
  );
}

function Place({ id, place, market, used }: { id: string; place: PickUpPlace; market: Market; used: number }) {
  const edit = useEdit();
  const at = (...steps: string[]) => ['places', id, ...steps];
  const text = (field: 'street' | 'town' | 'postcode', parse: (text: string) => Parsed<string>) => (
    <EditedField
      label={`${field} of ${place.name}`}
      shown={place.address[field]}
      parse={parse}
      change={(value) => setAt(at('address', field), value)}
      placeholder={field}
    />
  );
  const { coordinates } = place;
  return (
    <li className="border-b border-hairline py-1 leading-7" data-testid={`place-${id}`}>
      <p>
        <strong>
          <EditedField
            label={`Name of ${place.name}`}
            shown={place.name}
            parse={parseName}
            change={(value) => setAt(at('name'), value)}
          />
        </strong>{' '}
        <FindingMark at={`/places/${id}`} name={place.name} /> at {text('street', parseText(200))},{' '}
        {text('postcode', parseText(16))} {text('town', parseText(120))},{' '}
        <CountryChoice
          label={`Country of ${place.name}`}
          value={place.address.country}
          choose={(value) => edit(setAt(at('address', 'country'), value))}
        />
        ; position{' '}
        <EditedField
          label={`Position of ${place.name}, degrees north and east`}
          shown={coordinates ? `${coordinates.latitude}, ${coordinates.longitude}` : ''}
          parse={orNone(parsePosition)}
          change={(value) => setAt(at('coordinates'), value)}
          placeholder="not known"
          testId={`position-${id}`}
        />
        <span className="ml-3 text-small text-soft">{usedInWords(used)}</span>
        {used === 0 && (
          <button type="button" className="btn btn-xs" onClick={() => edit(setAt(at(), undefined))}>
            remove it
          </button>
        )}
      </p>
      <p className="text-small">
        Open{' '}
        {weekdays.map((name, index) => {
          const day = String(index + 1);
          return (
            <span key={day} className="mr-3 inline-block">
              <span className="text-soft">{name}</span>{' '}
              <EditedField
                label={`Hours of ${place.name}, ${name}`}
                shown={hoursInText(place.hours?.[day] ?? [])}
                parse={readHours}
                change={(spans) => setHours(id, day, spans)}
                placeholder={place.hours ? 'closed' : 'always'}
                testId={`hours-${id}-${day}`}
              />
            </span>
          );
        })}
      </p>
      <p className="text-small">
        Whoever collects there reads{' '}
        <EditedTexts
          label={`Instructions of ${place.name}`}
          at={at('instructions')}
          texts={place.instructions}
          languages={market.languages}
        />
      </p>
    </li>
  );
}
