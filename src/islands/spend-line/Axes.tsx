import { memo } from 'react';
import type { SpendScale } from './scale.ts';

/** Order value below, delivery price at the left. */
export const Axes = memo(function Axes({ scale, figure }: { scale: SpendScale; figure: (minor: number) => string }) {
  const xs = scale.x.ticks(Math.max(3, Math.floor((scale.right - scale.left) / 90)));
  const ys = scale.priceY.ticks(4);
  return (
    <g className="fill-soft" fontSize="12">
      <line x1={scale.left} x2={scale.right} y1={scale.bottom} y2={scale.bottom} className="stroke-soft" />
      {xs.map((value) => (
        <g key={value}>
          <line
            x1={scale.x(value)}
            x2={scale.x(value)}
            y1={scale.bottom}
            y2={scale.bottom + 4}
            className="stroke-soft"
          />
          <text x={scale.x(value)} y={scale.bottom + 16} textAnchor="middle">
            {figure(value)}
          </text>
        </g>
      ))}
      {ys.map((value) => (
        <text key={value} x={scale.left - 8} y={scale.priceY(value) + 4} textAnchor="end">
          {figure(value)}
        </text>
      ))}
      <text x={4} y={scale.top - 16}>
        delivery, {scale.currency}
      </text>
      {scale.right - scale.left > 480 && (
        <text x={scale.right} y={scale.bottom + 35} textAnchor="end">
          order value, {scale.currency}
        </text>
      )}
    </g>
  );
});
