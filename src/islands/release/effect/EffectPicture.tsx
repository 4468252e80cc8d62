import { useMemo, useRef } from 'react';
import { compilePolicy, type CompiledZone } from '../../../core/evaluation/compile.ts';
import type { EffectEntry } from '../../../core/effect/effect.ts';
import { situationOf } from '../../../core/evaluation/shopper-classes.ts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { Distribution } from '../../../core/orders/distribution.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { sweepZone, type Sweep } from '../../../core/sweep/sweep.ts';
import { BottomAxis, LeftAxis } from '../../../ui/chart/Axis.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { Histogram } from '../../spend-line/Histogram.tsx';
import { optionLine } from '../../spend-line/option-line.ts';
import { height, spendScale, type SpendScale } from '../../spend-line/scale.ts';
import { stairPath } from '../../spend-line/stair-path.ts';

const designWidth = 884;

/** A zone along order value for some shoppers: prices of the draft over those of before, stretches that differ filled, orders behind. */
export function EffectPicture({
  was,
  is,
  looked,
  entries,
  distribution,
}: {
  was: Policy;
  is: Policy;
  /** drawn is its place, for the first of those for whom it is so, at the first moment at which it is */
  looked: EffectEntry;
  /** of that place, those shoppers and that moment */
  entries: readonly EffectEntry[];
  distribution: Distribution | null;
}) {
  const { locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, designWidth);
  const before = zoneIn(was, looked.movedFrom === undefined ? looked.zoneId : looked.movedFrom);
  const after = zoneIn(is, looked.zoneId);
  const sweeps = useMemo(() => {
    const situation = situationOf(looked.classes[0]!, looked.destination, looked.moments[0]!);
    const sweep = (zone: CompiledZone | undefined) => zone && sweepZone(zone, 'goodsValue', situation);
    return { was: sweep(before) ?? null, is: sweep(after) ?? null };
  }, [before, after, looked]);
  const shown = after ?? before;
  if (!shown) return null;
  const { currency } = shown.market.market;
  const scale = spendScale(width, currency, {
    distribution,
    sweep: highest([sweeps.is, sweeps.was].filter((sweep) => sweep !== null)),
    goal: entries.reduce((most, { from, to }) => Math.max(most, to ?? from), 0),
  });
  const format = new Intl.NumberFormat(locale, { maximumFractionDigits: 2 });
  const figure = (minor: number) => format.format(minor / minorPerMajor(currency));
  return (
    <div ref={box} className="relative h-[262px] w-full overflow-hidden" data-testid="effect-picture">
      <svg
        width={width}
        height={height}
        className="block"
        role="img"
        aria-label={`Delivery prices along order value in ${currency}, before and after, with what differs filled; the sentences below say the same`}
      >
        {distribution && <Histogram scale={scale} distribution={distribution} />}
        {entries.map(({ from, to, differences }) => (
          <rect
            key={`${from} ${to}`}
            x={scale.x(Math.min(from, scale.end))}
            width={Math.max(1, scale.x(Math.min(to ?? scale.end, scale.end)) - scale.x(Math.min(from, scale.end)))}
            y={scale.top}
            height={scale.bottom - scale.top}
            className={differences.some(({ what }) => what !== 'message') ? 'fill-accent' : 'fill-primary'}
            fillOpacity={differences.some(({ what }) => what !== 'message') ? 0.22 : 0.07}
          />
        ))}
        <LeftAxis scale={scale.priceY} at={scale.left - 1} format={figure} label={`delivery, ${currency}`} />
        <BottomAxis scale={scale.x} at={scale.bottom} format={figure} label={`order value, ${currency}`} />
        {sweeps.was && <Stairs sweep={sweeps.was} scale={scale} old ids={optionIds(sweeps)} />}
        {sweeps.is && <Stairs sweep={sweeps.is} scale={scale} ids={optionIds(sweeps)} />}
      </svg>
    </div>
  );
}

const zoneIn = (policy: Policy, zoneId: string | null): CompiledZone | undefined =>
  zoneId === null
    ? undefined
    : compilePolicy(policy)
        .markets.get(policy.zones[zoneId]?.market ?? '')
        ?.zones.find(({ id }) => id === zoneId);

/** Options of both, so that each is drawn alike before and after. */
const optionIds = ({ was, is }: { was: Sweep | null; is: Sweep | null }): string[] => [
  ...new Set([...(is?.optionIds ?? []), ...(was?.optionIds ?? [])]),
];

/** A sweep with the prices of both, for a scale on which both have room. */
function highest(sweeps: readonly Sweep[]): Sweep {
  const [one, other] = sweeps;
  return { ...one!, segments: [...one!.segments, ...(other?.segments ?? [])].sort((a, b) => a.from - b.from) };
}

function Stairs({
  sweep,
  scale,
  ids,
  old = false,
}: {
  sweep: Sweep;
  scale: SpendScale;
  ids: readonly string[];
  /** thin and dotted: before */
  old?: boolean;
}) {
  return (
    <g fill="none">
      {sweep.optionIds.map((id, index) => {
        const { stroke, dash } = optionLine(ids.indexOf(id));
        const path = stairPath(sweep.segments, index, (price) => [price.after, price.lastAfter], {
          x: scale.x,
          y: scale.priceY,
          end: scale.end,
        });
        return (
          <path
            key={id}
            d={path}
            className={stroke}
            strokeWidth={old ? 1 : 2}
            strokeDasharray={old ? '1 3' : dash}
            data-testid={`effect-${old ? 'was' : 'is'}-${id}`}
          />
        );
      })}
    </g>
  );
}
