import { useMemo, useRef } from 'react';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { countsOrderValue } from '../../../core/offers/order-value-goals.ts';
import { resolveTarget } from '../../../core/offers/target.ts';
import { inOrder } from '../../../core/ordered.ts';
import { ordersBelow, valueAtShare, type Distribution } from '../../../core/orders/distribution.ts';
import type { Offer } from '../../../core/policy/types.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useWidth } from '../../../ui/use-width.ts';

const nameWidth = 170;
const rowHeight = 22;
/** Shares at which each line says what amount they lie at. */
const marks = [0.25, 0.5, 0.75];

/** An offer’s goals on the orders of every market, each line from none to all of its orders: where one lies further right, it asks more of shoppers. */
export function SharesByMarket({
  offer,
  distributions,
}: {
  offer: Offer;
  distributions: ReadonlyMap<string, Distribution>;
}) {
  const policy = usePolicy();
  const { money, locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const { markets, store, rates } = policy;
  const rows = useMemo(
    () =>
      inOrder(markets).flatMap(([id, market]) => {
        // A market has its line before its orders are there, so that nothing moves when they arrive.
        const distribution = distributions.get(id);
        const goals = inOrder(offer.goals).flatMap(([goalId, goal]) => {
          const target = goal.targets[id];
          const minor =
            target && countsOrderValue(goal, market)
              ? resolveTarget(target, localMoneyOf({ markets, store, ...(rates ? { rates } : {}) }, id))
              : null;
          return minor === null
            ? []
            : [
                {
                  goalId,
                  minor,
                  share:
                    distribution && distribution.orders > 0
                      ? ordersBelow(distribution, minor) / distribution.orders
                      : null,
                },
              ];
        });
        return goals.length > 0 ? [{ id, name: market.name, currency: market.currency, distribution, goals }] : [];
      }),
    [markets, store, rates, distributions, offer.goals],
  );
  if (rows.length < 2) return null;
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const x = (share: number) => nameWidth + share * Math.max(0, width - nameWidth - 70);
  const height = 16 + rows.length * rowHeight;
  const said = rows
    .map(
      ({ name, currency, goals }) =>
        `${name} ${goals.map(({ minor, share }) => `${money(minor, currency)}${share === null ? '' : ` above ${percent.format(share)} of orders`}`).join(', ')}`,
    )
    .join('; ');
  return (
    <div ref={box} className="seldom-seen mt-2" data-testid="shares-by-market">
      <p className="text-small text-soft">
        Share of orders that lie below the goal, market by market: further right asks more of shoppers.
      </p>
      <svg width={width} height={height} className="block" role="img" aria-label={said}>
        {[0, ...marks, 1].map((share) => (
          <g key={share}>
            <line x1={x(share)} x2={x(share)} y1={14} y2={height} className="stroke-hairline" strokeWidth="1" />
            <text x={x(share)} y={10} fontSize="11" textAnchor="middle" className="fill-soft">
              {percent.format(share)}
            </text>
          </g>
        ))}
        {rows.map(({ id, name, currency, distribution, goals }, index) => {
          const y = 16 + index * rowHeight + rowHeight / 2;
          return (
            <g key={id} data-testid={`share-${id}`}>
              <text x={0} y={y + 4} fontSize="12.5" className="fill-base-content">
                {name.length > 24 ? `${name.slice(0, 23)}…` : name}
              </text>
              <line x1={x(0)} x2={x(1)} y1={y} y2={y} className="stroke-faint" strokeWidth="1" />
              {distribution &&
                distribution.orders > 0 &&
                marks.map((share) => (
                  <circle key={share} cx={x(share)} cy={y} r="2" className="fill-faint">
                    <title>{money(valueAtShare(distribution, share), currency)}</title>
                  </circle>
                ))}
              {goals.map(
                ({ goalId, minor, share }) =>
                  share !== null && (
                    <g key={goalId}>
                      <path
                        d={`M${x(share)} ${y}v-9h9l-3 3.5 3 3.5h-9`}
                        className="fill-accent stroke-accent"
                        strokeWidth="1.2"
                      />
                      <text x={x(share) + 13} y={y + 1} fontSize="12" className="fill-base-content">
                        {money(minor, currency)}
                      </text>
                    </g>
                  ),
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
