import { Why } from '../../../ui/Why.tsx';
import { whyUnavailable, type Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { reasonOfOption } from '../../rehearsal/reasons.ts';

/** Options of the zone that this shopper is not offered, each with its reason. */
export function NotOffered({ rehearsal }: { rehearsal: Rehearsal }) {
  const { unavailable } = rehearsal.evaluation;
  if (unavailable.length === 0) return null;
  return (
    <ul className="text-small text-soft" aria-label="Not offered" data-testid="not-offered">
      {unavailable.map(({ optionId, reason }) => (
        <One key={optionId} optionId={optionId} said={whyUnavailable[reason]} rehearsal={rehearsal} />
      ))}
    </ul>
  );
}

function One({ optionId, said, rehearsal }: { optionId: string; said: string; rehearsal: Rehearsal }) {
  const policy = usePolicy();
  const { money } = useNotation();
  const name = policy.options[optionId]?.name ?? optionId;
  const reason = () =>
    reasonOfOption(rehearsal.trace(), optionId, policy, (minor) =>
      money(minor, rehearsal.evaluation.currency ?? policy.store.baseCurrency),
    );
  return (
    <li>
      <span className="inline-flex items-center">
        Not offered: {name} ({said}) <Why what={`${name} is not offered`} reason={reason} />
      </span>
    </li>
  );
}
