import { useRef } from 'react';
import { CartesianGrid, Scatter, ScatterChart, Tooltip, XAxis, YAxis, type TooltipContentProps } from 'recharts';
import { valueAtShare } from '../../../core/orders/distribution.ts';
import { axisLook, ChartWords } from '../../../ui/chart/chart-look.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useNotation } from '../../page/page-context.tsx';
import { sharesHeight, type MarketShares } from './market-shares.ts';

const nameWidth = 170;
/** Shares at which each line says what amount they lie at. */
const marks = [0.25, 0.5, 0.75];

/** A goal, or an amount that a share of a market's orders lies below. */
interface SharePoint {
  market: string;
  share: number;
  said: string;
}

/** A line a market from none to all of its orders, with its goals as pennants. */
export default function SharesChart({ rows }: { rows: readonly MarketShares[] }) {
  const { money, locale } = useNotation();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  const goals = rows.flatMap(({ name, currency, goals: own }) =>
    own.flatMap(({ minor, share }): SharePoint[] =>
      share === null ? [] : [{ market: name, share, said: money(minor, currency) }],
    ),
  );
  const quartiles = rows.flatMap(({ name, currency, distribution }) =>
    distribution && distribution.orders > 0
      ? marks.map((share): SharePoint => ({
          market: name,
          share,
          said: money(valueAtShare(distribution, share), currency),
        }))
      : [],
  );
  const said = goals.map(
    ({ market, said: amount, share }) => `${market} ${amount} above ${percent.format(share)} of orders`,
  );
  return (
    <div ref={box}>
      <ScatterChart
        width={width}
        height={sharesHeight(rows.length)}
        margin={{ top: 4, right: 70, bottom: 0, left: 0 }}
        accessibilityLayer
        title={said.join('; ')}
      >
        <CartesianGrid stroke="var(--hairline)" />
        <XAxis
          dataKey="share"
          type="number"
          domain={[0, 1]}
          ticks={[0, ...marks, 1]}
          orientation="top"
          height={24}
          tickFormatter={(share: number) => percent.format(share)}
          {...axisLook}
          axisLine={false}
          tickLine={false}
        />
        <YAxis
          dataKey="market"
          type="category"
          width={nameWidth}
          allowDuplicatedCategory={false}
          domain={rows.map(({ name }) => name)}
          interval={0}
          reversed
          tickFormatter={(name: string) => (name.length > 24 ? `${name.slice(0, 23)}…` : name)}
          {...axisLook}
          axisLine={false}
          tickLine={false}
        />
        <Tooltip cursor={false} isAnimationActive={false} content={Words} />
        <Scatter data={quartiles} shape={<Dot />} isAnimationActive={false} />
        <Scatter data={goals} shape={<Flag />} isAnimationActive={false} />
      </ScatterChart>
    </div>
  );
}

/** What a shape is handed of the point it stands for. */
interface Placed {
  cx?: number;
  cy?: number;
  payload?: SharePoint;
}

const Dot = ({ cx = 0, cy = 0 }: Placed) => <circle cx={cx} cy={cy} r="2" className="fill-faint" />;

function Flag({ cx = 0, cy = 0, payload }: Placed) {
  return (
    <g>
      <path d={`M${cx} ${cy}v-9h9l-3 3.5 3 3.5h-9`} className="fill-accent stroke-accent" strokeWidth="1.2" />
      <text x={cx + 13} y={cy + 1} fontSize="12" className="fill-base-content">
        {payload?.said}
      </text>
    </g>
  );
}

function Words({ active, payload }: TooltipContentProps) {
  const { locale } = useNotation();
  const point = payload?.[0]?.payload as SharePoint | undefined;
  if (!active || !point) return null;
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 0 });
  return (
    <ChartWords>
      {point.market}: {percent.format(point.share)} of orders lie below <strong>{point.said}</strong>
    </ChartWords>
  );
}
