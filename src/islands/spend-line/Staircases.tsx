import type { Sweep } from '../../core/sweep/sweep.ts';
import { optionLine } from './option-line.ts';
import type { SpendScale } from './scale.ts';
import { stairPath } from './stair-path.ts';

/** A staircase per option, from the exact breakpoints: price after in full, price before thinly where it differs. */
export function Staircases({
  scale,
  sweep,
  names,
  write,
}: {
  scale: SpendScale;
  sweep: Sweep;
  names: string[];
  write: (minor: number) => string;
}) {
  const at = { x: scale.x, y: scale.priceY, end: scale.end };
  return (
    <g fill="none">
      {sweep.optionIds.map((id, index) => {
        const line = optionLine(index);
        const after = stairPath(sweep.segments, index, (price) => [price.after, price.lastAfter], at);
        const before = stairPath(
          sweep.segments,
          index,
          (price) =>
            price.before === price.after && price.lastBefore === price.lastAfter
              ? null
              : [price.before, price.lastBefore],
          at,
        );
        return (
          <g key={id} className={line.stroke}>
            {before && <path d={before} strokeWidth="1" strokeOpacity="0.65" strokeDasharray="1 3" />}
            <path d={after} strokeWidth="2" strokeDasharray={line.dash} data-testid={`staircase-${id}`} />
            <StepLabels
              scale={scale}
              sweep={sweep}
              index={index}
              name={names[index] ?? id}
              fill={line.fill}
              write={write}
            />
          </g>
        );
      })}
    </g>
  );
}

function StepLabels({
  scale,
  sweep,
  index,
  name,
  fill,
  write,
}: {
  scale: SpendScale;
  sweep: Sweep;
  index: number;
  name: string;
  fill: string;
  write: (minor: number) => string;
}) {
  let last: number | null = null;
  let named = false;
  return (
    <g className={fill} fontSize="12" stroke="none" paintOrder="stroke">
      {sweep.segments.map((segment) => {
        const price = segment.options[index];
        if (!price || segment.from > scale.end) return null;
        const unchanged = price.after === last;
        last = price.after;
        const from = scale.x(segment.from);
        if (unchanged || price.after === 0) return null;
        const room = scale.x(Math.min(scale.end, segment.to ?? scale.end)) - from;
        const label = named ? write(price.after) : `${name} ${write(price.after)}`;
        if (room < label.length * 5.4) return null;
        named = true;
        return (
          <text
            key={segment.from}
            x={from + 6}
            y={scale.priceY(price.after) + (isUnderAnother(scale, segment.options, index) ? 14 : -5)}
            className="[stroke:var(--color-base-100)] [stroke-width:3px]"
          >
            {label}
          </text>
        );
      })}
    </g>
  );
}

/** px */
const labelHeight = 17;

/** Whether another option's line runs where a label above this one's would stand: it stands below then. */
function isUnderAnother(scale: SpendScale, options: Sweep['segments'][number]['options'], index: number): boolean {
  const y = scale.priceY(options[index]!.after);
  return options.some((other, place) => {
    if (!other || place === index) return false;
    const above = y - scale.priceY(other.after);
    return above > 0 && above < labelHeight;
  });
}
