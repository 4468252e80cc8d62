import { setOfferOn, setTarget } from '../../client/edits.ts';
import { basisInWords } from '../../core/conditions/read-out.ts';
import type { CompiledZone } from '../../core/evaluation/compile.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { targetIn } from '../../core/offers/target.ts';
import type { Offer } from '../../core/policy/types.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePolicy } from '../frame/page-context.tsx';
import { parseGoal } from './goal-field.ts';

/** The offer as a sentence that says what it does, its amount typed in place. */
export function OfferSentence({ offerId, offer, goalId, marketId, zone }: { offerId: string; offer: Offer; goalId: string; marketId: string; zone: CompiledZone | undefined }) {
  const policy = usePolicy();
  const show = useDraft((state) => state.show);
  const edit = useDraft((state) => state.edit);
  const { currency, name } = policy.markets[marketId]!;
  const target = targetIn(policy, offerId, goalId, marketId);
  const rewarded = new Set(zone?.offers.find(({ id }) => id === offerId)?.goals.flatMap((compiled) => [...compiled.options]));
  const measure = offer.goals[goalId]!.measure;
  const basis = measure.kind === 'countedValue' ? basisInWords(measure.basis) : '';
  const options = zone?.options.filter(({ id }) => rewarded.has(id)).map(({ option }) => option.name) ?? [];
  return (
    <p className="mt-2 min-h-8 border-t border-hairline pt-2 text-[15px]">
      <label className="mr-4 inline-flex items-center gap-2 text-[14px]">
        <input type="checkbox" className="toggle toggle-xs toggle-primary" checked={offer.on} onChange={(event) => edit(setOfferOn(offerId, event.target.checked))} />
        <strong>{offer.name}</strong> {offer.on ? 'is on' : 'is off'}
      </label>
      {target === null ? (
        <span>is not offered in {name}. Write an amount in the grid to offer it there.</span>
      ) : (
        <>
          From{' '}
          <TypedField
            label={`Goal in ${name}, ${currency}`}
            shown={toDecimal(target, currency)}
            parse={(text) => parseGoal(text, currency, false)}
            show={(value) => show(value === undefined ? null : setTarget(offerId, goalId, marketId, value))}
            commit={(value) => edit(setTarget(offerId, goalId, marketId, value))}
            testId="goal-field"
          />{' '}
          <span>
            {currency} of counted goods, {basis}, {options.length > 0 ? `delivery is free on ${options.join(', ')}.` : offer.on ? 'delivery would be free, but no option here is meant.' : 'delivery would be free.'}
          </span>
        </>
      )}
    </p>
  );
}
