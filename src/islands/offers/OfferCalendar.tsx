import { useMemo, useRef } from 'react';
import type { CompiledMarket } from '../../core/evaluation/compile.ts';
import { monthsAround, overlapOf } from '../../core/offers/authoring/overlaps.ts';
import type { TimeSpan } from '../../core/time/schedule.ts';
import { useNotation, useNow } from '../page/page-context.tsx';
import { useWidth } from '../../ui/use-width.ts';

const nameWidth = 150;
const rowHeight = 18;

/** When the offers of a market that do not run always run, one under the other, and what the one looked at overlaps with. */
export function OfferCalendar({ market, offerId }: { market: CompiledMarket; offerId: string }) {
  const { locale } = useNotation();
  const now = useNow();
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 860);
  const rows = useMemo(() => rowsOf(market, offerId), [market, offerId]);
  const own = rows.find(({ id }) => id === offerId);
  const spans = rows.map(({ span }) => span);
  const months = useMemo(() => monthsAround(spans, now, 8), [spans, now]);
  const day = useMemo(
    () => new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeZone: market.terms.clocks.market }),
    [locale, market],
  );
  const month = useMemo(() => new Intl.DateTimeFormat(locale, { month: 'short', timeZone: 'UTC' }), [locale]);
  if (!rows.some(({ span }) => Number.isFinite(span.from) || Number.isFinite(span.until))) return null;
  const [first, last] = [months[0]!, months.at(-1)!];
  const x = (at: number) =>
    nameWidth + ((Math.min(Math.max(at, first), last) - first) / (last - first)) * Math.max(0, width - nameWidth - 4);
  const height = 18 + rows.length * rowHeight;
  const others = own
    ? rows.flatMap(({ id, name, span }) => (id === offerId ? [] : [{ name, shared: overlapOf(own.span, span) }]))
    : [];
  const words = (span: TimeSpan) =>
    `${Number.isFinite(span.from) ? `from ${day.format(span.from)}` : ''}${Number.isFinite(span.until) ? ` until ${day.format(span.until)}` : ''}`.trim();
  const met = others.filter(({ shared }) => shared !== null);
  return (
    <div ref={box} className="my-1" data-testid="offer-calendar">
      <svg
        width={width}
        height={height}
        className="block"
        role="img"
        aria-label={`Offers by time. ${rows.map(({ name, span }) => `${name} ${words(span) || 'always'}`).join('; ')}`}
      >
        {months.map((at, index) => (
          <g key={at}>
            <line x1={x(at)} x2={x(at)} y1={0} y2={height} className="stroke-hairline" strokeWidth="1" />
            {index < months.length - 1 && (width > 600 || index % 2 === 0) && (
              <text x={x(at) + 3} y={11} fontSize="11" className="fill-soft">
                {month.format(at)}
              </text>
            )}
          </g>
        ))}
        {rows.map(({ id, name, span }, index) => {
          const y = 18 + index * rowHeight;
          return (
            <g key={id}>
              <text
                x={0}
                y={y + 12}
                fontSize="12"
                className="fill-base-content"
                fontWeight={id === offerId ? 650 : 400}
              >
                {name.length > 22 ? `${name.slice(0, 21)}…` : name}
              </text>
              <rect
                x={x(span.from)}
                width={Math.max(3, x(span.until) - x(span.from))}
                y={y + 3}
                height={rowHeight - 7}
                rx="2"
                className={id === offerId ? 'fill-primary' : 'fill-faint'}
                fillOpacity={id === offerId ? 0.9 : 0.35}
              >
                <title>{`${name} ${words(span) || 'always'}`}</title>
              </rect>
            </g>
          );
        })}
        <line x1={x(now)} x2={x(now)} y1={12} y2={height} className="stroke-accent" strokeWidth="1.5">
          <title>now</title>
        </line>
      </svg>
      {own && met.length > 0 && (
        <p className="text-small text-soft">
          At the same time as{' '}
          {met.map(({ name, shared }) => `${name}${words(shared!) ? ` (${words(shared!)})` : ''}`).join(', ')}.
        </p>
      )}
    </div>
  );
}

/** The offer looked at and those with dates, in order of priority. */
function rowsOf(market: CompiledMarket, offerId: string): { id: string; name: string; span: TimeSpan }[] {
  const found = new Map<string, { id: string; name: string; span: TimeSpan }>();
  for (const zone of market.zones.slice(0, 1)) {
    for (const { id, offer, span } of zone.offers)
      if (id === offerId || Number.isFinite(span.from) || Number.isFinite(span.until))
        found.set(id, { id, name: offer.name, span });
  }
  return [...found.values()];
}
