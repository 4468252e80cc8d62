import { linearScale } from '../../../ui/chart/linear-scale.ts';
import { useCallback, useMemo, useRef, useState, type ReactNode } from 'react';
import { moveEdge, setLine } from '../../../client/edits/option-edits.ts';
import { countInWords } from '../../../core/charges/count-in-words.ts';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import { localMoneyOf, resolveAmount } from '../../../core/money/local-amount.ts';
import { inOrder } from '../../../core/ordered.ts';
import { niceStep } from '../../../core/orders/nice-step.ts';
import type { ChargeLine, DeliveryOption, LocalAmount, Policy } from '../../../core/policy/types.ts';
import { orderOfValue } from '../../../core/cart/hypothetical-order.ts';
import { countAt, countThatReaches } from '../../../core/sweep/edges.ts';
import { axisMeasures, type SweepAxis } from '../../../core/sweep/axis.ts';
import { segmentOf, type Sweep } from '../../../core/sweep/sweep.ts';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { BottomAxis, LeftAxis } from '../../../ui/chart/Axis.tsx';
import { optionLine } from '../../spend-line/option-line.ts';
import { stairPath, type PriceEnds } from '../../spend-line/stair-path.ts';
import { chargeSweep } from './charge-sweep.ts';
import { Handle } from './Handle.tsx';
import { part } from '../../page/parts.ts';

const height = 232;
const margin = { left: 50, right: 16, top: 14, bottom: 38 };
/** How far the axis goes where no edge asks for more: major units, grams, pieces. */
const usual: Record<SweepAxis, number> = { goodsValue: 150, weight: 12_000, items: 12 };

interface Edge {
  measure: NonNullable<ChargeLine['over']>['measure'];
  bound: LocalAmount | number;
  at: number;
}

/** The staircases of a zone's charges; edges and treads of the chosen option are dragged. */
export function ChargePicture({
  zone,
  optionId,
  axis,
  children,
}: {
  zone: CompiledZone;
  optionId: string;
  axis: SweepAxis;
  children: ReactNode;
}) {
  const policy = usePolicy();
  const saved = useDraft((state) => state.saved.policy);
  const settled = useDraft((state) => state.settled);
  const show = useDraft((state) => state.show);
  const edit = useEdit();
  const { figure, money } = useNotation();
  const now = useNow();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 884);
  const [cursor, setCursor] = useState<number | null>(null);
  const { currency } = zone.market.market;
  const sweep = useMemo(() => chargeSweep(policy, zone.id, axis, now), [policy, zone.id, axis, now]);
  const steady = useMemo(() => chargeSweep(saved, zone.id, axis, now), [saved, zone.id, axis, now]);
  const scale = useMemo(() => pictureScale(width, axis, currency, steady), [width, axis, currency, steady]);
  const option = policy.options[optionId];
  const tick = useCallback(
    (value: number) => {
      if (axis === 'goodsValue') return String(value / minorPerMajor(currency));
      return axis === 'weight' ? `${value / 1000} kg` : String(value);
    },
    [axis, currency],
  );
  const priceFigure = useCallback((minor: number) => figure(minor, currency), [figure, currency]);
  if (!sweep || !option) return null;
  const write = (at: number) => (axis === 'goodsValue' ? money(at, currency) : countInWords(axis, at));
  // While one is dragged, edges are named by where they were: that is what the edit falls on.
  const before = settled.options[optionId];
  const edges = edgesOf(option, policy, zone.market.id, axis);
  const bounds = before ? edgesOf(before, settled, zone.market.id, axis) : [];
  const treads = treadsOf(option, policy, zone.market.id, axis, scale.end);
  const weighing = zone.options.find(({ id }) => id === optionId)?.charge.weighing;
  const where = { zone, axis, order: orderOfValue(0), region: undefined };
  // What is packed weighs more than its goods: a step stands where the goods are that come to it.
  const along = (measure: Edge['measure'], amount: number) =>
    weighing ? (countThatReaches(amount, measure, weighing, where) ?? amount) : amount;
  const left = (measure: Edge['measure'], amount: number) => scale.x(Math.min(along(measure, amount), scale.end));
  const measured = (measure: Edge['measure'], position: number) =>
    weighing ? countAt(position, measure, weighing, where) : position;
  const at = cursor ?? 0;
  const there = segmentOf(sweep, at);
  return (
    <section ref={part('prices')} aria-label="What delivery costs">
      <p className="flex min-h-7 flex-wrap items-baseline gap-x-4">
        <span>{children}</span>
        <span className="text-small text-soft" data-testid="picture-read-out">
          at {write(at)}:{' '}
          {sweep.optionIds
            .map((id, index) => {
              const price = there.options[index];
              return `${policy.options[id]?.name} ${price ? money(price.before, currency) : 'not offered'}`;
            })
            .join(' · ')}
        </span>
      </p>
      <div ref={box} className="overflow-hidden">
        <svg
          width={width}
          height={height}
          className="block touch-none fill-soft text-fine select-none"
          role="group"
          aria-label="Price by measure"
          data-testid="charge-picture"
          data-end={scale.end}
          onPointerMove={(event) =>
            setCursor(
              Math.max(
                0,
                Math.min(
                  scale.end,
                  Math.round(scale.x.invert(event.clientX - event.currentTarget.getBoundingClientRect().left)),
                ),
              ),
            )
          }
          onPointerLeave={() => setCursor(null)}
        >
          <LeftAxis scale={scale.y} at={margin.left} format={priceFigure} across={width - margin.right} />
          <BottomAxis scale={scale.x} at={height - margin.bottom} format={tick} />
          {cursor !== null && (
            <line
              x1={scale.x(cursor)}
              x2={scale.x(cursor)}
              y1={margin.top}
              y2={height - margin.bottom}
              className="stroke-primary"
              strokeOpacity="0.5"
            />
          )}
          {sweep.optionIds.map((id, index) => {
            const line = optionLine(index);
            const chosen = id === optionId;
            return (
              <path
                key={id}
                d={stairPath(sweep.segments, index, beforeOffers, scale)}
                fill="none"
                strokeWidth={chosen ? 2.5 : 1.5}
                strokeOpacity={chosen ? 1 : 0.45}
                strokeDasharray={line.dash}
                className={line.stroke}
                data-testid={`charge-of-${id}`}
              />
            );
          })}
          {sweep.optionIds.map((id, index) => {
            const first = sweep.segments.find((segment) => segment.options[index]);
            const price = first?.options[index];
            return price && first.from < scale.end ? (
              <text
                key={id}
                x={scale.x(first.from) + 6}
                y={scale.y(price.before) - 5}
                className={`${optionLine(index).fill} [paint-order:stroke] [stroke-width:3px] [stroke:var(--color-base-100)]`}
                fontWeight={id === optionId ? 640 : 400}
              >
                {policy.options[id]?.name}
              </text>
            ) : null;
          })}
          {treads.map(({ line, price, measure, from, to }) => (
            <Handle
              key={`tread-${line}`}
              direction="vertical"
              x={(left(measure, from) + left(measure, to)) / 2}
              y={scale.y(price)}
              length={Math.max(14, Math.min(70, left(measure, to) - left(measure, from) - 16))}
              label={`Price from ${write(from)}`}
              text={money(price, currency)}
              value={price}
              least={0}
              most={1_000_000_000}
              step={scale.priceStep}
              valueAt={(px) => Math.round(scale.y.invert(px) / scale.priceStep) * scale.priceStep}
              show={(value) =>
                show(value === null ? null : setLine(optionId, line, ['price', 'fixed'], { exact: value }))
              }
              commit={(value) => edit(setLine(optionId, line, ['price', 'fixed'], { exact: value }))}
              testId={`tread-${line}`}
            />
          ))}
          {bounds.map(({ measure, bound, at: was }, index) => {
            const position = edges[index]?.at ?? was;
            const least = (bounds[index - 1]?.at ?? 0) + 1;
            const most = (bounds[index + 1]?.at ?? 1_000_000_000) - 1;
            const moved = (value: number) =>
              moveEdge(optionId, measure, bound, measure === 'goodsValue' ? { exact: value } : value);
            return (
              <Handle
                key={`edge-${index}`}
                direction="horizontal"
                x={left(measure, position)}
                y={height - margin.bottom}
                length={height - margin.bottom - margin.top}
                label={`Edge at ${write(position)}`}
                text={write(position)}
                value={position}
                least={least}
                most={most}
                step={scale.step}
                valueAt={(px) => measured(measure, Math.round(scale.x.invert(px) / scale.step) * scale.step)}
                show={(value) => show(value === null ? null : moved(value))}
                commit={(value) => edit(moved(value))}
                testId={`edge-${index}`}
              />
            );
          })}
        </svg>
      </div>
    </section>
  );
}

const beforeOffers: PriceEnds = ({ before, lastBefore }) => [before, lastBefore];

function pictureScale(width: number, axis: SweepAxis, currency: string, sweep: Sweep | null) {
  const unit = axis === 'goodsValue' ? minorPerMajor(currency) : 1;
  const last = sweep?.segments.at(-1)?.from ?? 0;
  const wanted = Math.max(usual[axis] * unit * (axis === 'goodsValue' && unit === 1 ? 100 : 1), last * 1.35);
  const end = Math.ceil(wanted / niceStep(wanted / 8)) * niceStep(wanted / 8);
  const highest = Math.max(
    1,
    ...(sweep?.segments ?? [])
      .filter(({ from }) => from < end)
      .flatMap(({ options, from, to, last: until }) =>
        options.map((price) =>
          price
            ? Math.max(
                price.before,
                price.before +
                  ((price.lastBefore - price.before) * (Math.min(end, to ?? end) - from)) / Math.max(1, until - from),
              )
            : 0,
        ),
      ),
  );
  const step = Math.max(1, niceStep(end / (width - margin.left - margin.right) / 1.5));
  return {
    x: linearScale([0, end], [margin.left, width - margin.right]),
    y: linearScale([0, highest * 1.18], [height - margin.bottom, margin.top + 8]),
    end,
    step: Math.round(step),
    priceStep: Math.max(1, Math.round(niceStep(highest / 90))),
  };
}

const numeric = (bound: LocalAmount | number, policy: Policy, marketId: string): number =>
  typeof bound === 'number' ? bound : (resolveAmount(bound, localMoneyOf(policy, marketId)) ?? 0);

/** Whether steps of a measure are dragged along the axis: a parcel begins wherever the goods ask for it. */
const isDragged = (measure: Edge['measure'], axis: SweepAxis): boolean =>
  axisMeasures[axis].includes(measure) && measure !== 'parcels';

/** Where steps of the option meet along the axis. */
function edgesOf(option: DeliveryOption, policy: Policy, marketId: string, axis: SweepAxis): Edge[] {
  const found = new Map<number, Edge>();
  for (const [, { over }] of inOrder(option.charge.lines)) {
    if (!over || !isDragged(over.measure, axis)) continue;
    for (const bound of [over.from, over.to]) {
      if (bound === null) continue;
      const at = numeric(bound, policy, marketId);
      if (at > 0 && !found.has(at)) found.set(at, { measure: over.measure, bound, at });
    }
  }
  return [...found.values()].sort((a, b) => a.at - b.at);
}

/** Level prices of the option, each with the stretch of the axis it holds on. */
function treadsOf(
  option: DeliveryOption,
  policy: Policy,
  marketId: string,
  axis: SweepAxis,
  end: number,
): { line: string; price: number; measure: Edge['measure']; from: number; to: number }[] {
  return inOrder(option.charge.lines).flatMap(([line, { over, price }]) => {
    if (!('fixed' in price) || price.perUnit || (over && !isDragged(over.measure, axis))) return [];
    const from = over ? numeric(over.from, policy, marketId) : 0;
    const to = over && over.to !== null ? numeric(over.to, policy, marketId) : end;
    const measure = over?.measure ?? 'goodsValue';
    return from >= end
      ? []
      : [{ line, price: numeric(price.fixed, policy, marketId), measure, from, to: Math.max(to, from) }];
  });
}
