import {
  memo,
  useCallback,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
} from 'react';
import { line } from 'd3-shape';
import { BottomAxis, LeftAxis } from '../../ui/chart/Axis.tsx';
import { minorPerMajor } from '../../core/money/currency.ts';
import { bands, ordersBelow } from '../../core/orders/distribution.ts';
import type { OrderValueGoal } from '../../core/offers/order-value-goals.ts';
import type { OrderStudy } from '../../core/orders/study.ts';
import { useNotation } from '../page/page-context.tsx';
import { Pennant } from '../spend-line/Pennant.tsx';
import { keyMove, valueAt } from '../spend-line/scale.ts';
import { GoalsInForce } from './GoalsInForce.tsx';
import { height, orderScale, type OrderScale } from './order-scale.ts';
import { wordsFor } from './words.ts';
import { part } from '../page/parts.ts';

export interface Stretch {
  from: number;
  to: number;
}

/** Orders by value, and the goals on them. */
export function OrdersPicture({
  width,
  currency,
  study,
  reach,
  said,
  bandWidth,
  goals,
  inForce,
  group,
  setGroup,
  moveGoal,
  commitGoals,
  picture,
}: {
  /** px */
  width: number;
  currency: string;
  study: OrderStudy;
  /** share of a goal within which orders are in its reach */
  reach: number;
  /** what a goal at a value would do, in a few words */
  said: (value: number) => string;
  bandWidth: number;
  /** trial goals, ascending */
  goals: readonly number[];
  inForce: readonly OrderValueGoal[];
  group: Stretch | null;
  setGroup: (group: Stretch | null, done: boolean) => void;
  moveGoal: (index: number, value: number) => void;
  commitGoals: () => void;
  picture: RefObject<SVGSVGElement | null>;
}) {
  const { locale, figure, money } = useNotation();
  const words = wordsFor(locale);
  const write = useCallback((minor: number) => figure(minor, currency), [figure, currency]);
  const [cursor, setCursor] = useState<number | null>(null);
  const brushing = useRef<number | null>(null);
  const bars = useMemo(() => bands(study.tally, bandWidth, study.end), [study, bandWidth]);
  const most = useMemo(
    () =>
      Math.max(
        bars.reduce((highest, bar) => Math.max(highest, bar.orders), 0),
        (study.density?.heights.reduce((highest, at) => Math.max(highest, at), 0) ?? 0) * bandWidth,
      ),
    [bars, study, bandWidth],
  );
  const scale = useMemo(
    () => orderScale(width, currency, { end: study.end, bandWidth, most }),
    [width, currency, study, bandWidth, most],
  );
  const plain = useMemo(() => {
    const format = new Intl.NumberFormat(locale, { maximumFractionDigits: 2 });
    return (count: number) => format.format(count);
  }, [locale]);
  const major = useCallback((minor: number) => plain(minor / minorPerMajor(currency)), [plain, currency]);
  const place = (event: PointerEvent<SVGElement>) =>
    event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left;
  const stretchTo = (value: number): Stretch => ({
    from: Math.min(brushing.current!, value),
    to: Math.max(brushing.current!, value),
  });
  const at = cursor ?? goals[0] ?? study.end / 2;
  const onKeyDown = (event: KeyboardEvent<SVGRectElement>) => {
    const move = keyMove(scale, event);
    if (event.key === 'Home') setCursor(0);
    else if (event.key === 'End') setCursor(scale.end);
    else if (event.key === 'Escape') setGroup(null, true);
    else if (event.key === 'Enter' || event.key === ' ') {
      // The first press takes one end of a group, the second the other.
      if (brushing.current === null) brushing.current = at;
      else {
        setGroup(stretchTo(at), true);
        brushing.current = null;
      }
    } else if (move !== null) setCursor(Math.round(Math.min(scale.end, Math.max(0, at + move))));
    else return;
    event.preventDefault();
  };

  return (
    <section ref={part('distribution')} aria-label="Orders by value">
      <ReadOut at={at} pointed={cursor !== null} study={study} said={said} currency={currency} />
      <div
        className="relative h-[258px] w-full overflow-hidden"
        data-testid="orders-picture"
        data-end={scale.end}
        data-left={scale.left}
        data-right={scale.right}
      >
        <svg
          ref={picture}
          width={width}
          height={height}
          className="block select-none"
          role="group"
          aria-label={`Orders by value in ${currency}`}
        >
          <defs>
            <pattern id="in-reach" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="7" className="stroke-accent" strokeWidth="1.6" strokeOpacity="0.5" />
            </pattern>
          </defs>
          <Bars scale={scale} bars={bars} />
          {goals.map((goal, index) => {
            const from = scale.x(Math.max(goals[index - 1] ?? 0, goal * (1 - reach)));
            return (
              <rect
                key={index}
                x={from}
                y={scale.top}
                width={Math.max(0, scale.x(Math.min(scale.end, goal)) - from)}
                height={scale.foot - scale.top}
                fill="url(#in-reach)"
              />
            );
          })}
          {group && (
            <g data-testid="group-stretch">
              <rect
                x={scale.x(group.from)}
                y={scale.top}
                width={Math.max(1, scale.x(Math.min(scale.end, group.to)) - scale.x(group.from))}
                height={scale.foot - scale.top}
                className="fill-primary stroke-primary"
                fillOpacity="0.14"
                strokeWidth="1"
              />
            </g>
          )}
          <DensityLine scale={scale} study={study} />
          <Averages scale={scale} study={study} figure={write} percent={words.percent} />
          <LeftAxis scale={scale.countY} at={scale.left - 1} format={plain} label="orders a band" count={3} />
          <BottomAxis scale={scale.x} at={scale.foot} format={major} />
          <GoalsInForce scale={scale} goals={inForce} write={write} />
          <PeakLabels scale={scale} study={study} locale={locale} percent={words.percent} />
          {cursor !== null && (
            <line
              data-hand
              x1={scale.x(cursor)}
              x2={scale.x(cursor)}
              y1={scale.top}
              y2={scale.bottom}
              className="stroke-primary"
              strokeWidth="1"
            />
          )}
          <rect
            data-hand
            role="slider"
            tabIndex={0}
            aria-label="Order value to read out; Enter at two values marks a group"
            aria-valuemin={0}
            aria-valuemax={Math.round(scale.end)}
            aria-valuenow={Math.round(at)}
            aria-valuetext={money(Math.round(at), currency)}
            x={scale.left}
            y={scale.top}
            width={scale.right - scale.left}
            height={scale.bottom - scale.top}
            fill="transparent"
            className="cursor-crosshair touch-none"
            data-testid="orders-cursor"
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              brushing.current = valueAt(scale, place(event));
            }}
            onPointerMove={(event) => {
              const value = valueAt(scale, place(event));
              setCursor(value);
              if (brushing.current !== null && event.buttons > 0 && value !== brushing.current)
                setGroup(stretchTo(value), false);
            }}
            onPointerUp={(event) => {
              const value = valueAt(scale, place(event));
              if (brushing.current !== null)
                setGroup(Math.abs(scale.x(value) - scale.x(brushing.current)) < 4 ? null : stretchTo(value), true);
              brushing.current = null;
            }}
            onPointerLeave={() => setCursor(null)}
            onKeyDown={onKeyDown}
            onBlur={() => setCursor(null)}
          />
          {goals.map((goal, index) => (
            <Pennant
              key={index}
              scale={scale}
              value={goal}
              released={null}
              label={index === 0 ? 'Trial goal' : 'Second trial goal'}
              write={write}
              show={(value) => moveGoal(index, value)}
              commit={(value) => {
                moveGoal(index, value);
                commitGoals();
              }}
            />
          ))}
        </svg>
      </div>
    </section>
  );
}

const Bars = memo(function Bars({
  scale,
  bars,
}: {
  scale: OrderScale;
  bars: { from: number; to: number; orders: number }[];
}) {
  return (
    <g className="fill-bar" data-testid="bands">
      {bars.map((bar) => {
        const x = scale.x(bar.from);
        const y = scale.countY(bar.orders);
        return (
          <rect
            key={bar.from}
            x={x}
            y={y}
            width={Math.max(0.5, scale.x(Math.min(scale.end, bar.to)) - x - 1)}
            height={scale.foot - y}
          />
        );
      })}
    </g>
  );
});

const DensityLine = memo(function DensityLine({ scale, study: { density } }: { scale: OrderScale; study: OrderStudy }) {
  if (!density) return null;
  const heights = [...density.heights.keys()].filter((at) => at % 2 === 0);
  const path = line<number>()
    .x((at) => scale.x(Math.min(scale.end, at * density.step)))
    .y((at) => scale.countY(density.heights[at]! * scale.bandWidth))
    .digits(1)(heights);
  return <path d={path ?? ''} fill="none" className="stroke-secondary" strokeWidth="1.5" data-testid="density" />;
});

/** px, of fine print on average */
const letter = 6;

/** Average and median with what they hide: how few orders are like the average. */
const Averages = memo(function Averages({
  scale,
  study: { summary, tally },
  figure,
  percent,
}: {
  scale: OrderScale;
  study: OrderStudy;
  figure: (minor: number) => string;
  percent: (share: number) => string;
}) {
  if (!summary) return null;
  const average = Math.round(summary.average);
  const median = Math.round(summary.median);
  const close = (ordersBelow(tally, average * 1.05) - ordersBelow(tally, average * 0.95)) / tally.orders;
  const right = average >= median;
  const label = `average ${figure(average)}`;
  const nearIt = ` · ${percent(close)} of orders near it`;
  // On a narrow picture the label would be cut.
  const room = right ? scale.right - scale.x(average) : scale.x(average) - scale.left;
  const wide = (label.length + nearIt.length) * letter < room;
  return (
    <g fontSize="12" className="fill-base-content [paint-order:stroke]" data-testid="averages">
      <line
        x1={scale.x(average)}
        x2={scale.x(average)}
        y1={scale.top + 14}
        y2={scale.foot}
        className="stroke-base-content"
        strokeDasharray="5 3"
      />
      <text
        x={scale.x(average) + (right ? 5 : -5)}
        y={scale.top + 22}
        textAnchor={right ? 'start' : 'end'}
        className="[stroke:var(--color-base-100)] [stroke-width:3px]"
      >
        {label}
        {wide && <tspan className="fill-soft">{nearIt}</tspan>}
      </text>
      <line
        x1={scale.x(median)}
        x2={scale.x(median)}
        y1={scale.top + 30}
        y2={scale.foot}
        className="stroke-soft"
        strokeDasharray="1 3"
      />
      <text
        x={scale.x(median) + (right ? -5 : 5)}
        y={scale.top + 38}
        textAnchor={right ? 'end' : 'start'}
        className="fill-soft [stroke:var(--color-base-100)] [stroke-width:3px]"
      >
        half below {figure(median)}
      </text>
    </g>
  );
});

const PeakLabels = memo(function PeakLabels({
  scale,
  study,
  locale,
  percent,
}: {
  scale: OrderScale;
  study: OrderStudy;
  locale: string;
  percent: (share: number) => string;
}) {
  const format = new Intl.NumberFormat(locale, { maximumFractionDigits: 0 });
  const major = minorPerMajor(scale.currency);
  return (
    <g fontSize="12" data-testid="peaks">
      {study.peaks.map((peak) => (
        <g key={peak.at}>
          <line
            x1={scale.x(peak.from)}
            x2={scale.x(Math.min(scale.end, peak.to))}
            y1={scale.foot - 3}
            y2={scale.foot - 3}
            className="stroke-primary"
            strokeWidth="3"
          />
          <text
            x={scale.x((peak.from + Math.min(scale.end, peak.to)) / 2)}
            y={scale.foot - 9}
            textAnchor="middle"
            className="fill-primary [paint-order:stroke] [stroke-width:4px] [stroke:var(--color-bar)]"
            fontWeight="620"
          >
            {format.format(peak.from / major)}–{format.format(peak.to / major)}: {percent(peak.share)}
          </text>
        </g>
      ))}
    </g>
  );
});

/** What holds at one value, above the picture so that it hides nothing. */
function ReadOut({
  at,
  pointed,
  study,
  said,
  currency,
}: {
  at: number;
  pointed: boolean;
  study: OrderStudy;
  said: (value: number) => string;
  currency: string;
}) {
  const { money, locale } = useNotation();
  const { percent } = wordsFor(locale);
  const value = Math.round(at);
  const below = study.tally.orders > 0 ? ordersBelow(study.tally, value) / study.tally.orders : 0;
  return (
    <p className="flex min-h-[40px] flex-wrap items-baseline gap-x-4 sm:min-h-[20px]" data-testid="orders-read-out">
      <span>
        {pointed ? 'At' : 'At the trial goal,'} <strong>{money(value, currency)}</strong>
      </span>
      <span>
        {percent(below)} of orders below, {percent(1 - below)} there already
      </span>
      <span className="text-soft">{said(Math.max(1, value))}</span>
    </p>
  );
}
