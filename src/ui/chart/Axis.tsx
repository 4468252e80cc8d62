import type { LinearScale } from './linear-scale.ts';
import { memo } from 'react';

/** px between two figures of an axis, so that they never touch */
const room = 90;

/** The axis under a picture: a line with figures at round values. @param at its height, px */
export const BottomAxis = memo(function BottomAxis({
  scale,
  at,
  format,
  label,
}: {
  scale: LinearScale;
  at: number;
  format: (value: number) => string;
  /** below its end, where there is room for it */
  label?: string;
}) {
  const [left, right] = scale.range;
  return (
    <g className="fill-soft" fontSize="12">
      <line x1={left} x2={right} y1={at} y2={at} className="stroke-soft" />
      {scale.ticks(Math.max(3, Math.floor((right - left) / room))).map((value) => (
        <g key={value}>
          <line x1={scale(value)} x2={scale(value)} y1={at} y2={at + 4} className="stroke-soft" />
          <text x={scale(value)} y={at + 16} textAnchor="middle">
            {format(value)}
          </text>
        </g>
      ))}
      {label !== undefined && right - left > 480 && (
        <text x={right} y={at + 35} textAnchor="end">
          {label}
        </text>
      )}
    </g>
  );
});

/** The figures at the left of a picture, with hairlines across it where `across` says how far. @param at px from the left */
export const LeftAxis = memo(function LeftAxis({
  scale,
  at,
  format,
  label,
  count = 4,
  across,
}: {
  scale: LinearScale;
  at: number;
  format: (value: number) => string;
  /** above it */
  label?: string;
  /** about how many figures */
  count?: number;
  across?: number;
}) {
  const top = Math.min(...scale.range);
  return (
    <g className="fill-soft" fontSize="12">
      {scale.ticks(count).map((value) => (
        <g key={value}>
          {across !== undefined && (
            <line x1={at} x2={across} y1={scale(value)} y2={scale(value)} className="stroke-hairline" />
          )}
          <text x={at - 7} y={scale(value) + 4} textAnchor="end">
            {format(value)}
          </text>
        </g>
      ))}
      {label !== undefined && (
        <text x={4} y={top - 24}>
          {label}
        </text>
      )}
    </g>
  );
});
