import { scaleLinear } from 'd3-scale';
import { useRef, useState, type PointerEvent } from 'react';
import type { DayRate } from '../../core/money/rate-history.ts';
import { saveCsv } from '../page/save-file.ts';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { useWidth } from '../../ui/use-width.ts';

const height = 120;
const left = 52;
const right = 12;

/** A currency's rate day by day, with the adopted one across it. */
export function RateChart({
  currency,
  rates,
  adopted,
}: {
  currency: string;
  rates: readonly DayRate[];
  adopted: string | null;
}) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const [at, setAt] = useState<number | null>(null);
  const values = rates.map(({ rate }) => Number(rate));
  const all = adopted === null ? values : [...values, Number(adopted)];
  const x = scaleLinear([0, Math.max(1, rates.length - 1)], [left, width - right]);
  const y = scaleLinear([Math.min(...all), Math.max(...all)], [height - 22, 10]).nice(4);
  const line = values
    .map((value, index) => `${index === 0 ? 'M' : 'L'}${x(index).toFixed(1)} ${y(value).toFixed(1)}`)
    .join('');
  const marks = [0, Math.floor((rates.length - 1) / 2), rates.length - 1];
  const onMove = (event: PointerEvent<SVGSVGElement>) => {
    const inside = event.clientX - event.currentTarget.getBoundingClientRect().left;
    setAt(Math.max(0, Math.min(rates.length - 1, Math.round(x.invert(inside)))));
  };
  const seen = at === null ? null : rates[at];
  return (
    <div ref={box} className="max-w-[60rem]">
      <svg
        width={width}
        height={height}
        role="img"
        aria-label={`Rate of ${currency} from ${rates[0]!.day} to ${rates.at(-1)!.day}: lowest ${Math.min(...values)}, highest ${Math.max(...values)}${adopted === null ? '' : `, adopted ${adopted}`}`}
        className="block fill-soft text-fine"
        onPointerMove={onMove}
        onPointerLeave={() => setAt(null)}
        data-testid="rate-chart"
      >
        {y.ticks(3).map((value) => (
          <g key={value}>
            <line x1={left} x2={width - right} y1={y(value)} y2={y(value)} className="stroke-hairline" />
            <text x={left - 6} y={y(value) + 4} textAnchor="end">
              {value}
            </text>
          </g>
        ))}
        {marks.map((index, position) => (
          <text key={position} x={x(index)} y={height - 4} textAnchor={(['start', 'middle', 'end'] as const)[position]}>
            {rates[index]!.day}
          </text>
        ))}
        <path d={line} fill="none" strokeWidth="1.5" className="stroke-primary" />
        {adopted !== null && (
          <>
            <line
              x1={left}
              x2={width - right}
              y1={y(Number(adopted))}
              y2={y(Number(adopted))}
              strokeDasharray="6 4"
              className="stroke-accent"
              strokeWidth="1.5"
            />
            <text x={width - right} y={y(Number(adopted)) - 4} textAnchor="end" className="fill-ember">
              adopted {adopted}
            </text>
          </>
        )}
        {seen && <circle cx={x(at!)} cy={y(Number(seen.rate))} r="3.5" className="fill-primary" />}
      </svg>
      <p className="flex min-h-5 justify-between text-small text-soft">
        <span>{seen ? `${seen.day}: ${seen.rate}` : ''}</span>
        <SaveAs
          what={`the rates of ${currency}`}
          forms={[
            {
              name: 'CSV',
              save: () =>
                saveCsv(
                  `rates-${currency}`,
                  ['Date', currency],
                  rates.map(({ day, rate }) => [day, rate]),
                ),
            },
          ]}
        />
      </p>
    </div>
  );
}
