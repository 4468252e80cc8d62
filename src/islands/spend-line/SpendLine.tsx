import { memo, useCallback, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { minorPerMajor } from '../../core/money/currency.ts';
import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { Distribution } from '../../core/orders/distribution.ts';
import type { Shopper } from '../../core/policy/types.ts';
import { sweepZone, type Sweep } from '../../core/sweep/sweep.ts';
import { useNotation, useNow } from '../page/page-context.tsx';
import { useWidth } from '../../ui/use-width.ts';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { BottomAxis, LeftAxis } from '../../ui/chart/Axis.tsx';
import { Histogram } from './Histogram.tsx';
import { Pennant } from './Pennant.tsx';
import { placeNames, type NamePlace } from './pennant-names.ts';
import { ReadOut } from './ReadOut.tsx';
import { Regions } from './Regions.tsx';
import { height, keyMove, spendScale, valueAt, type SpendScale } from './scale.ts';
import { Staircases } from './Staircases.tsx';

export interface SpendGoal {
  value: number;
  released: number | null;
  label: string;
  show: (value: number) => void;
  commit: (value: number) => void;
}

/** A goal beside the one looked at. */
export interface AsideGoal {
  offerId: string;
  goalId: string;
  value: number;
  label: string;
  /** what stands beside it */
  name: string;
}

const designWidth = 884;

/** The picture along order value: what orders are like, what delivery costs, where the goal stands. */
export function SpendLine({
  zone,
  steadySweep,
  steadyGoal,
  distribution,
  goal,
  others,
  showOther,
  commitOther,
  language,
  shopper,
  over,
}: {
  zone: CompiledZone;
  /** sweep and goal of the saved draft, which fix the axes while something is dragged */
  steadySweep: Sweep;
  steadyGoal: number | null;
  distribution: Distribution | null;
  /** the one looked at */
  goal: SpendGoal | null;
  /** goals of the same and other offers in this zone */
  others: readonly AsideGoal[];
  /** both stay the same from one drawing to the next */
  showOther: (goal: AsideGoal, value: number) => void;
  commitOther: (goal: AsideGoal, value: number) => void;
  language: string;
  /** a guest when absent */
  shopper: Shopper | undefined;
  /** drawn over the picture, under the pennants */
  over?: ((scale: SpendScale) => ReactNode) | undefined;
}) {
  const { figure, money, locale } = useNotation();
  const now = useNow();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, designWidth);
  const [cursor, setCursor] = useState<number | null>(null);
  const currency = zone.market.market.currency;

  const sweep = useMemo(() => sweepZone(zone, 'goodsValue', someoneIn(zone, now, shopper)), [zone, now, shopper]);
  const scale = useMemo(
    () => spendScale(width, currency, { distribution, sweep: steadySweep, goal: steadyGoal }),
    [width, currency, distribution, steadySweep, steadyGoal],
  );
  const percent = useMemo(() => {
    const format = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
    return (share: number) => format.format(share);
  }, [locale]);
  const axisFigure = useMemo(() => {
    const format = new Intl.NumberFormat(locale, { maximumFractionDigits: 2 });
    return (minor: number) => format.format(minor / minorPerMajor(currency));
  }, [locale, currency]);
  const write = useCallback((minor: number) => figure(minor, currency), [figure, currency]);
  const names = placeNames(
    others.map(({ name, value }) => ({ name, x: scale.x(Math.min(value, scale.end)) })),
    scale.right,
  );
  const at = cursor ?? goal?.value ?? scale.end / 2;

  const onKeyDown = (event: KeyboardEvent<SVGRectElement>) => {
    const move = keyMove(scale, event);
    if (event.key === 'Home') setCursor(0);
    else if (event.key === 'End') setCursor(scale.end);
    else if (event.key === 'Escape') setCursor(null);
    else if (move !== null) setCursor(Math.min(scale.end, Math.max(0, at + move)));
    else return;
    event.preventDefault();
  };

  return (
    <section aria-label="Spend line">
      <ReadOut
        at={at}
        pointed={cursor !== null || goal === null}
        zone={zone}
        sweep={sweep}
        distribution={distribution}
        language={language}
        percent={percent}
        shopper={shopper}
      />
      <div
        ref={box}
        className="relative h-[262px] w-full overflow-hidden"
        data-testid="spend-line"
        data-end={scale.end}
        data-left={scale.left}
        data-right={scale.right}
      >
        <svg
          width={width}
          height={height}
          className="block select-none"
          role="group"
          aria-label={`Order value in ${currency} against delivery price`}
        >
          <defs>
            <pattern id="within-reach" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="7" className="stroke-accent" strokeWidth="1.6" strokeOpacity="0.5" />
            </pattern>
          </defs>
          {distribution && <Histogram scale={scale} distribution={distribution} />}
          {goal && <Regions scale={scale} goal={goal.value} distribution={distribution} percent={percent} />}
          <LeftAxis scale={scale.priceY} at={scale.left - 1} format={axisFigure} label={`delivery, ${currency}`} />
          <BottomAxis scale={scale.x} at={scale.bottom} format={axisFigure} label={`order value, ${currency}`} />
          <Staircases
            scale={scale}
            sweep={sweep}
            names={zone.options.map((option) => option.option.name)}
            write={write}
          />
          {over?.(scale)}
          {cursor !== null && (
            <line
              x1={scale.x(cursor)}
              x2={scale.x(cursor)}
              y1={scale.top - 6}
              y2={scale.bottom}
              className="stroke-primary"
              strokeWidth="1"
            />
          )}
          <rect
            role="slider"
            tabIndex={0}
            aria-label="Order value to read out"
            aria-valuemin={0}
            aria-valuemax={scale.end}
            aria-valuenow={at}
            aria-valuetext={money(at, currency)}
            x={scale.left}
            y={scale.top}
            width={scale.right - scale.left}
            height={scale.bottom - scale.top}
            fill="transparent"
            data-testid="spend-cursor"
            onPointerMove={(event) =>
              setCursor(
                valueAt(scale, event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left),
              )
            }
            onPointerLeave={() => setCursor(null)}
            onKeyDown={onKeyDown}
            onBlur={() => setCursor(null)}
          />
          {others.map((other, index) => (
            <AsidePennant
              key={`${other.offerId} ${other.goalId}`}
              {...other}
              {...names[index]}
              scale={scale}
              write={write}
              show={showOther}
              commit={commitOther}
            />
          ))}
          {goal && (
            <Pennant
              scale={scale}
              value={goal.value}
              released={goal.released}
              label={goal.label}
              write={write}
              show={goal.show}
              commit={goal.commit}
            />
          )}
        </svg>
      </div>
    </section>
  );
}

/** Drawn anew only when it has moved itself. */
const AsidePennant = memo(function AsidePennant({
  scale,
  write,
  show,
  commit,
  level,
  side,
  text,
  ...goal
}: AsideGoal &
  Partial<NamePlace> & {
    scale: SpendScale;
    write: (minor: number) => string;
    show: (goal: AsideGoal, value: number) => void;
    commit: (goal: AsideGoal, value: number) => void;
  }) {
  return (
    <Pennant
      scale={scale}
      value={goal.value}
      released={null}
      label={goal.label}
      write={write}
      show={(value) => show(goal, value)}
      commit={(value) => commit(goal, value)}
      aside={{
        id: `${goal.offerId}-${goal.goalId}`,
        name: level === undefined || !side || !text ? null : { level, side, text },
      }}
    />
  );
});
