import { isNotice, speakerName } from '../../core/wording/text-speaker.ts';
import { leadOrder } from '../../core/evaluation/lead-order.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import { places, type Place } from '../../core/wording/places.ts';
import { stateName } from '../../core/wording/text-address.ts';
import { Why, type Reason } from '../../ui/Why.tsx';
import type { Rehearsal } from '../rehearsal/rehearse-cart.ts';
import { silenceInWords } from '../rehearsal/silence-in-words.ts';
import { useNotation } from '../page/page-context.tsx';

/** Why the shopper reads what they read: who leads and in which state, which text was found, and why others are silent. */
export function WhyMessage({ compiled, rehearsal }: { compiled: CompiledPolicy; rehearsal: Rehearsal }) {
  const { money } = useNotation();
  return (
    <div className="text-small" data-testid="why-message">
      <span className="inline-flex items-center text-soft">
        Why this is read{' '}
        <Why what="what the shopper reads" reason={() => reasonOfMessage(compiled, rehearsal, money)} />
      </span>
    </div>
  );
}

function reasonOfMessage(
  compiled: CompiledPolicy,
  rehearsal: Rehearsal,
  money: (minor: number, currency: string) => string,
): Reason {
  const { policy } = compiled;
  const { lead: first, currency } = rehearsal.evaluation;
  // Who leads in the first place where something is read; else who would, had it a text there.
  const lead =
    (Object.keys(places) as Place[])
      .map((place) => rehearsal.message(place)?.message)
      .find((message) => message !== undefined) ?? first;
  const order = leadOrder(rehearsal.prepared, rehearsal.evaluation);
  const name = (speakerId: string) => `“${speakerName(policy, speakerId)}”`;
  const address = (speakerId: string) =>
    isNotice(policy, speakerId) ? `/wording?offer=${speakerId}` : `/offers?offer=${speakerId}`;
  const others = order.flatMap((one): Reason[] => {
    if (one.rank === 'leads') return [];
    return [
      {
        sentence:
          one.rank === 'after'
            ? `${name(one.speakerId)} waits: another leads`
            : `${name(one.speakerId)} is silent: it ${silenceInWords[one.because]}`,
        address: address(one.speakerId),
        children: [],
      },
    ];
  });
  if (!lead || !currency)
    return {
      sentence:
        order.length === 0
          ? 'Nothing is said, since no delivery option can be chosen'
          : 'No offer has anything to say to this shopper',
      children: others,
    };
  const { state, arguments: values } = lead;
  const { remainingAtBest } = rehearsal.evaluation.offers
    .find(({ offerId }) => offerId === lead.speakerId)
    ?.goals.find(({ goalId }) => goalId === lead.goalId) ?? { remainingAtBest: null };
  const atBest: Reason[] =
    remainingAtBest === null
      ? []
      : [
          {
            sentence: `Discounts on certain goods may cut what is added: ${money(values.remaining, currency)} is enough for any article, ${money(remainingAtBest, currency)} for one that they treat best`,
            children: [],
          },
        ];
  const figures =
    values.measure === 'value'
      ? `${money(values.counted, currency)} of at least ${money(values.goal, currency)} count${values.remaining > 0 ? `, ${money(values.remaining, currency)} to go` : ''}`
      : `${values.counted} of at least ${values.goal}${values.remaining > 0 ? `, ${values.remaining} to go` : ''}`;
  const texts = (Object.keys(places) as Place[]).map((place): Reason => {
    const message = rehearsal.message(place);
    if (!message) return { sentence: `${places[place].short}: nothing`, children: [] };
    const { found } = message;
    const from = `${found.inherited ? 'that of every place' : 'its own text'} in ${found.language}${found.fallback ? `, since there is none in ${found.fallback.wanted}` : ''}`;
    return {
      sentence: `${places[place].short}: ${from}`,
      address: `/wording?offer=${message.message.speakerId}&language=${found.language}${found.inherited ? '' : `&place=${place}`}`,
      children: [],
    };
  });
  return {
    sentence:
      lead.goalId === null
        ? `${name(lead.speakerId)} is said, since no offer has anything to say`
        : `${name(lead.speakerId)} leads, in the state “${stateName(state)}”: ${figures}`,
    address: address(lead.speakerId),
    children: [...atBest, ...texts, ...others],
  };
}
