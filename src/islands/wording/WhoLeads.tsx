import { useMemo } from 'react';
import { evaluatePrepared } from '../../core/evaluation/evaluate.ts';
import { prepare } from '../../core/evaluation/prepare.ts';
import { leadOrder, type LeadRank } from '../../core/evaluation/lead-order.ts';
import { speakerName } from '../../core/wording/text-speaker.ts';
import { inputOfTestCart } from '../../core/evaluation/test-cart-input.ts';
import { inOrder } from '../../core/ordered.ts';
import { silenceInWords } from '../rehearsal/silence-in-words.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';

/** For each test cart of the market, which offer speaks, which wait for it, and why the others are silent. */
export function WhoLeads({ marketId }: { marketId: string }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const carts = useMemo(
    () =>
      inOrder(policy.testCarts).flatMap(([id, cart]) => {
        const prepared = prepare(compiled, inputOfTestCart(cart, catalogue, now).input);
        return prepared.found.market?.id === marketId
          ? [{ id, name: cart.name, order: leadOrder(prepared, evaluatePrepared(prepared)) }]
          : [];
      }),
    [policy.testCarts, compiled, catalogue, now, marketId],
  );
  const nameOf = ({ speakerId }: LeadRank) => speakerName(policy, speakerId);
  return (
    <section ref={part('who leads')} aria-label="Who leads">
      <p className="max-w-[70ch] py-1 text-soft">
        One message is shown at a time, and it never rotates: the offer of the highest priority that is for this shopper
        and not yet reached; when all are reached, the best of them; else a notice. Among equals the one listed first.
      </p>
      {carts.length === 0 && (
        <p className="py-1">No test cart goes to this market. One can be put together at Rehearse.</p>
      )}
      <table className="table table-xs" data-testid="who-leads">
        {carts.length > 0 && (
          <thead>
            <tr className="border-b border-hairline text-soft">
              <th scope="col" className="py-1 font-normal">
                test cart
              </th>
              <th scope="col" className="py-1 font-normal">
                leads
              </th>
              <th scope="col" className="py-1 font-normal">
                waits for it
              </th>
              <th scope="col" className="py-1 font-normal">
                silent, and why
              </th>
            </tr>
          </thead>
        )}
        <tbody>
          {carts.map(({ id, name, order }) => {
            const reasons = (Object.keys(silenceInWords) as (keyof typeof silenceInWords)[]).flatMap((reason) => {
              const names = order.filter((one) => one.rank === 'silent' && one.because === reason).map(nameOf);
              return names.length > 0 ? [`${silenceInWords[reason]}: ${names.join(', ')}`] : [];
            });
            return (
              <tr key={id} className="border-b border-hairline align-top" data-testid={`leads-${id}`}>
                <th scope="row" className="py-1 pr-3 font-normal">
                  <a className="link link-primary" href={`/rehearse?cart=${id}`}>
                    {name}
                  </a>
                </th>
                <td className="py-1 pr-3 font-semibold">
                  {order
                    .filter(({ rank }) => rank === 'leads')
                    .map(nameOf)
                    .join(', ') || <span className="font-normal text-soft">nobody</span>}
                </td>
                <td className="py-1 pr-3">
                  {order
                    .filter(({ rank }) => rank === 'after')
                    .map(nameOf)
                    .join(', ')}
                </td>
                <td className="py-1 text-soft">{reasons.join('; ')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
