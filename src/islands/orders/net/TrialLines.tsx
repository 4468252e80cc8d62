import { linearScale } from '../../../ui/chart/linear-scale.ts';
import { margin } from '../order-scale.ts';

/** px */
export const chartHeight = 132;
export const chartTop = 8;
export const axisHeight = 30;

/** Where the goals on trial stand. Over the chart and not of it: they are dragged, and the curves need not be drawn anew for that. */
export function TrialLines({ goals, end, width }: { goals: readonly number[]; end: number; width: number }) {
  const x = linearScale([0, end], [margin.left, width - margin.right]);
  return (
    <svg width={width} height={chartHeight} className="pointer-events-none absolute top-0 left-0" aria-hidden>
      {goals
        .filter((goal) => goal <= end)
        .map((goal, index) => (
          <line
            key={index}
            x1={x(goal)}
            x2={x(goal)}
            y1={chartTop}
            y2={chartHeight - axisHeight}
            className="stroke-base-content"
            strokeWidth="1.5"
          />
        ))}
    </svg>
  );
}
