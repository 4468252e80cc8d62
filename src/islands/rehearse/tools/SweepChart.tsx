import { useCallback, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import { evaluateOrder } from '../../../core/evaluation/evaluate-order.ts';
import { situationOfTestCart } from '../../../core/evaluation/test-cart-input.ts';
import { orderOfValue } from '../../../core/cart/hypothetical-order.ts';
import type { Measures } from '../../../core/cart/measures.ts';
import { minorPerMajor } from '../../../core/money/currency.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { orderAt, type SweepAxis } from '../../../core/sweep/axis.ts';
import { sweepZone } from '../../../core/sweep/sweep.ts';
import { renderLead } from '../../../core/wording/render.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { useCompiled, useNotation, useNow } from '../../page/page-context.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { height, keyMove, spendScale, valueAt } from '../../spend-line/scale.ts';
import { BottomAxis, LeftAxis } from '../../../ui/chart/Axis.tsx';
import { Staircases } from '../../spend-line/Staircases.tsx';
import { OptionPrices } from '../../spend-line/OptionPrices.tsx';

const axes: [SweepAxis, string][] = [
  ['goodsValue', 'goods value'],
  ['items', 'items'],
  ['weight', 'weight, g'],
];
const designWidth = 884;

/** The axis reaches so far at least: pieces and grams; of goods value as the scale has it. */
const leastShown: Partial<Record<SweepAxis, number>> = { items: 8, weight: 1000 };

/** The price of each option, and what the shopper reads, along goods value, items or weight, all else as in the cart. */
export function SweepChart({
  cart,
  zone,
  measures,
  axis,
  chooseAxis,
}: {
  cart: TestCart;
  zone: CompiledZone;
  measures: Measures;
  axis: SweepAxis;
  chooseAxis: (axis: SweepAxis) => void;
}) {
  const { money, figure, locale } = useNotation();
  const compiled = useCompiled();
  const now = useNow();
  const { currency } = zone.market.market;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, designWidth);
  const [cursor, setCursor] = useState<number | null>(null);
  const situation = useMemo(() => situationOfTestCart(cart, now), [cart, now]);
  const order = useMemo(
    () => ({
      ...orderOfValue(measures.goodsValue),
      items: Math.max(1, measures.items),
      weight: measures.charged.weight,
    }),
    [measures],
  );
  const sweep = useMemo(() => sweepZone(zone, axis, situation, order), [zone, axis, situation, order]);
  const here = { goodsValue: measures.goodsValue, items: measures.items, weight: measures.charged.weight }[axis];
  const scale = useMemo(
    () => spendScale(width, currency, { distribution: null, sweep, goal: here, least: leastShown[axis] }),
    [width, axis, currency, sweep, here],
  );
  const count = useMemo(() => new Intl.NumberFormat(locale), [locale]);
  const countFigure = useCallback((value: number) => count.format(value), [count]);
  const priceFigure = useCallback((minor: number) => count.format(minor / minorPerMajor(currency)), [count, currency]);
  const write = (value: number) => {
    if (axis === 'goodsValue') return money(value, currency);
    if (axis === 'items') return `${count.format(value)} ${value === 1 ? 'piece' : 'pieces'}`;
    return `${count.format(value)} g`;
  };
  const at = Math.min(scale.end, cursor ?? here);
  const evaluation = evaluateOrder(zone, orderAt(axis, order, at), situation);
  const { options } = evaluation;
  const text = renderLead(compiled, evaluation, 'strip', cart.language)?.text;
  const onKeyDown = (event: KeyboardEvent<SVGRectElement>) => {
    const move = keyMove({ ...scale, step: axis === 'items' ? 1 : scale.step }, event);
    if (event.key === 'Escape') setCursor(null);
    else if (move !== null) setCursor(Math.min(scale.end, Math.max(0, at + move)));
    else return;
    event.preventDefault();
  };
  return (
    <section aria-label="Sweep" data-testid="sweep-chart">
      <p className="flex flex-wrap items-baseline gap-x-4 py-1 text-small">
        <span>
          <span className="text-soft">along</span>{' '}
          <PhraseSelect
            label="Along"
            value={axis}
            options={axes}
            choose={(next) => chooseAxis(next as SweepAxis)}
            testId="sweep-axis"
          />
        </span>
        <span>
          at <strong>{write(at)}</strong>
        </span>
        <OptionPrices zone={zone} options={options} />
        <span className="text-soft" data-testid="sweep-reads">
          {text === undefined ? (
            'reads nothing'
          ) : (
            <>
              reads “<span lang={cart.language}>{text}</span>”
            </>
          )}
        </span>
      </p>
      <div ref={box} className="relative h-[262px] w-full overflow-hidden">
        <svg
          width={width}
          height={height}
          className="block select-none"
          role="group"
          aria-label={`Delivery price in ${currency} along ${axes.find(([id]) => id === axis)![1]}`}
        >
          <LeftAxis scale={scale.priceY} at={scale.left - 1} format={priceFigure} label={`delivery, ${currency}`} />
          <BottomAxis scale={scale.x} at={scale.bottom} format={axis === 'goodsValue' ? priceFigure : countFigure} />
          <Staircases
            scale={scale}
            sweep={sweep}
            names={zone.options.map(({ option }) => option.name)}
            write={(minor) => figure(minor, currency)}
          />
          <line
            x1={scale.x(at)}
            x2={scale.x(at)}
            y1={scale.top - 6}
            y2={scale.bottom}
            className={cursor === null ? 'stroke-accent' : 'stroke-primary'}
            strokeWidth="1"
          />
          <rect
            role="slider"
            tabIndex={0}
            aria-label="Where to read it out"
            aria-valuemin={0}
            aria-valuemax={scale.end}
            aria-valuenow={at}
            aria-valuetext={write(at)}
            x={scale.left}
            y={scale.top}
            width={scale.right - scale.left}
            height={scale.bottom - scale.top}
            fill="transparent"
            onPointerMove={(event) =>
              setCursor(
                valueAt(
                  scale,
                  event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left,
                  axis === 'items' ? 1 : scale.step,
                ),
              )
            }
            onPointerLeave={() => setCursor(null)}
            onKeyDown={onKeyDown}
            onBlur={() => setCursor(null)}
          />
        </svg>
      </div>
    </section>
  );
}
