import { memo } from 'react';
import type { OrderValueGoal } from '../../core/offers/order-value-goals.ts';
import type { OrderScale } from './order-scale.ts';

/** Goals that there are already, as hollow pennants. */
export const GoalsInForce = memo(function GoalsInForce({
  scale,
  goals,
  write,
}: {
  scale: OrderScale;
  goals: readonly OrderValueGoal[];
  write: (minor: number) => string;
}) {
  let end = -Infinity;
  return (
    <g fontSize="11.5" data-testid="goals-in-force">
      {[...goals]
        .sort((a, b) => a.value - b.value)
        .map(({ offerId, goalId, name, value }) => {
          if (value > scale.end) return null;
          const x = scale.x(value);
          const text = `${name} ${write(value)}`;
          const shown = text.length > 26 ? `${text.slice(0, 12)}… ${write(value)}` : text;
          const wide = shown.length * 5.9 + 12;
          const left = x + wide > scale.right ? x - wide : x;
          const named = left >= end;
          if (named) end = left + wide + 4;
          return (
            <g key={`${offerId}/${goalId}`}>
              <title>{text}</title>
              <line
                x1={x}
                x2={x}
                y1={28}
                y2={scale.foot}
                className="stroke-ember"
                strokeWidth="1"
                strokeDasharray={named ? undefined : '2 4'}
                strokeOpacity={named ? 0.9 : 0.6}
              />
              {named && (
                <>
                  <path
                    d={left === x ? `M${x} 27h${wide}l-4 7 4 7H${x}z` : `M${x} 27H${left}l4 7-4 7H${x}z`}
                    className="fill-base-100 stroke-ember"
                  />
                  <text x={left + wide / 2} y={38} textAnchor="middle" className="fill-ember">
                    {shown}
                  </text>
                </>
              )}
            </g>
          );
        })}
    </g>
  );
});
