import { memo } from 'react';
import { minorPerMajor } from '../../core/money/currency.ts';
import type { Outcome } from '../../core/orders/candidates.ts';
import type { OrderScale } from './order-scale.ts';

/** Cost, gain and net of a goal at each amount, a month, with the band of the net. */
export const NetCurve = memo(function NetCurve({
  scale,
  curve,
  locale,
}: {
  scale: OrderScale;
  curve: readonly Outcome[];
  locale: string;
}) {
  if (curve.length === 0) return null;
  const [lowest, highest] = scale.netY.domain() as [number, number];
  const y = (value: number) => scale.netY(Math.max(lowest, Math.min(highest, value))).toFixed(1);
  const x = ({ goals }: Outcome) => scale.x(Math.min(scale.end, goals[0]!.goal)).toFixed(1);
  // What lies outside of the picture is left out of the lines, not laid along its edge.
  const line = (pick: (outcome: Outcome) => number) => {
    let path = '';
    let drawing = false;
    for (const outcome of curve) {
      const value = pick(outcome);
      const inside = value >= lowest && value <= highest;
      if (inside) path += `${drawing ? 'L' : 'M'}${x(outcome)} ${y(value)}`;
      drawing = inside;
    }
    return path;
  };
  const visible = curve.filter(({ low, high }) => high >= lowest && low <= highest);
  const band =
    visible.length === 0
      ? ''
      : `M${visible.map((outcome) => `${x(outcome)} ${y(outcome.high)}`).join('L')}L${[...visible]
          .reverse()
          .map((outcome) => `${x(outcome)} ${y(outcome.low)}`)
          .join('L')}Z`;
  const format = new Intl.NumberFormat(locale, { notation: 'compact', maximumFractionDigits: 1 });
  const major = minorPerMajor(scale.currency);
  const roomy = scale.right - scale.left > 480;
  const least = curve.reduce((most, { net }) => Math.min(most, net), 0);
  const best = curve.reduce((most, outcome) => (outcome.net > most.net ? outcome : most));
  return (
    <g fontSize="12" data-testid="net-curve">
      <path d={band} className="fill-accent" fillOpacity="0.18" />
      <line x1={scale.left} x2={scale.right} y1={y(0)} y2={y(0)} className="stroke-soft" />
      <path
        d={line(({ gain }) => gain)}
        fill="none"
        className="stroke-option-3"
        strokeWidth="1.3"
        strokeDasharray="7 3"
      />
      <path
        d={line(({ cost }) => -cost)}
        fill="none"
        className="stroke-option-1"
        strokeWidth="1.3"
        strokeDasharray="2 3"
      />
      <path d={line(({ net }) => net)} fill="none" className="stroke-ember" strokeWidth="2" />
      {scale.netY.ticks(3).map((value) => (
        <text key={value} x={scale.left - 6} y={scale.netY(value) + 4} textAnchor="end" className="fill-soft">
          {format.format(value / major)}
        </text>
      ))}
      <text x={2} y={scale.netTop - 8} className="fill-soft">
        {scale.currency} a month{roomy && ', if a goal stood at this amount'}
      </text>
      <g textAnchor="end">
        <text x={scale.right} y={scale.netTop - 8} className="fill-soft">
          <tspan className="fill-option-3">┅ gain</tspan>
          <tspan className="fill-option-1" dx="10">
            ⋯ cost
          </tspan>
          <tspan className="fill-ember" fontWeight="620" dx="10">
            ━ net{roomy && ', and where it may lie'}
          </tspan>
        </text>
      </g>
      {least < lowest && (
        <text
          x={scale.left + 6}
          y={scale.bottom - 4}
          className="fill-soft [paint-order:stroke] [stroke-width:3px] [stroke:var(--color-base-100)]"
        >
          down to {format.format(least / major)} on the way there
        </text>
      )}
      <circle cx={x(best)} cy={y(best.net)} r="3.5" className="fill-ember" />
    </g>
  );
});
