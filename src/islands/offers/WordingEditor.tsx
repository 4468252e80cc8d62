import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useState } from 'react';
import type { MessageArguments, MessageState } from '../../core/evaluation/evaluation.ts';
import { targetIn } from '../../core/offers/target.ts';
import { inOrder } from '../../core/ordered.ts';
import { reachFrom } from '../../core/orders/distribution.ts';
import { placeIds, places, type TextPlace } from '../../core/wording/places.ts';
import { usePolicy } from '../frame/page-context.tsx';
import { TextField } from './TextField.tsx';

const states: { id: MessageState; name: string }[] = [
  { id: 'progress', name: 'On the way' },
  { id: 'reached', name: 'Reached' },
];

/** What shoppers read on the way and when it is reached, in one language and place of the market. */
export function WordingEditor({ offerId, offerName, marketId }: { offerId: string; offerName: string; marketId: string }) {
  const policy = usePolicy();
  const market = policy.markets[marketId]!;
  const [language, setLanguage] = useState(market.languages[0]!);
  const [place, setPlace] = useState<TextPlace>('everyPlace');
  const [first] = inOrder(policy.offers[offerId]?.goals ?? {});
  const target = first?.[1].measure.kind === 'countedValue' ? targetIn(policy, offerId, first[0], marketId) : null;
  const goal = target ?? 10_000;
  const counted = reachFrom(goal);
  const sample: MessageArguments = { measure: 'value', remaining: goal - counted, goal, counted, percent: Math.floor((100 * counted) / goal), items: 2, optionPrice: 0 };
  return (
    <section className="seldom-seen mt-3" aria-label={`Wording of ${offerName}`}>
      <h2 className="text-[16px]">
        Shoppers read in{' '}
        <PhraseSelect head label="Language of the wording" value={language} options={market.languages.map((tag) => [tag, tag])} choose={setLanguage} />{' '}
        at{' '}
        <PhraseSelect head label="Place of the wording" value={place} options={[['everyPlace', 'every place'], ...placeIds.map((id) => [id, `the ${places[id].name}`] as const)]} choose={(id) => setPlace(id as TextPlace)} />
      </h2>
      <div className="mt-1 grid gap-x-6 gap-y-2 lg:grid-cols-2">
        {states.map(({ id, name }) => (
          <TextField
            key={`${id} ${language} ${place}`}
            name={name}
            offerId={offerId}
            state={id}
            place={place}
            language={language}
            market={market}
            sample={id === 'reached' ? { ...sample, counted: goal, remaining: 0, percent: 100 } : sample}
          />
        ))}
      </div>
    </section>
  );
}
