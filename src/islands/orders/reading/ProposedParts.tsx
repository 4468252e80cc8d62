import { Fragment, type ReactNode } from 'react';
import type { ProposedRules } from '../../../core/reading/proposed-rules.ts';
import { partKey, type PartKey } from '../../../core/reading/taken-parts.ts';
import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import { shareWords } from './share-words.ts';
import { ruleWords } from './rule-in-words.ts';
import { UnlikeOrders } from './UnlikeOrders.tsx';

/** What was read of a market, part by part, each to be left out; and what it does not explain. */
export function ProposedParts({
  proposal,
  name,
  left,
  toggle,
}: {
  proposal: ProposedRules;
  /** of the market it would become */
  name: string;
  left: ReadonlySet<PartKey>;
  toggle: (part: PartKey) => void;
}) {
  const notation = useNotation();
  const { count } = wordsFor(notation.locale);
  const percent = shareWords(notation.locale);
  const { market, options, goals, areas, codes, gone } = proposal;
  const words = ruleWords(notation, market.currency);
  const whole = partKey(market, 'market');
  const out = left.has(whole);
  const row = (part: PartKey, label: string, said: ReactNode, orders: number | null, share: number | null) => (
    <tr key={part} className="border-b-0! align-baseline">
      <td className="pl-6 whitespace-normal">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <label className="inline-flex w-44 shrink-0 items-baseline gap-2">
            <input
              type="checkbox"
              className="checkbox relative top-0.5 checkbox-xs"
              checked={!out && !left.has(part)}
              disabled={out}
              onChange={() => toggle(part)}
            />
            <span className="truncate">{label}</span>
          </label>
          <div className="min-w-44 flex-1">{said}</div>
        </div>
      </td>
      <td className="text-right">{orders !== null && count(orders)}</td>
      <td className="text-right">{share !== null && percent(share)}</td>
    </tr>
  );
  const optionNames = (some: readonly string[]) =>
    some.length === options.length ? 'by every option' : `by ${some.map((option) => `“${option}”`).join(', ')}`;
  return (
    <tbody data-testid={`read-${market.currency}-${market.countries[0]}`} className={out ? 'text-soft' : ''}>
      <tr className="border-b-0! align-baseline">
        <th scope="rowgroup" className="pt-2 text-left font-normal whitespace-normal">
          <label className="inline-flex items-baseline gap-2">
            <input
              type="checkbox"
              className="checkbox relative top-0.5 checkbox-xs"
              checked={!out}
              onChange={() => toggle(whole)}
            />
            <span>
              <strong>{name}</strong>, paid in {market.currency}
            </span>
          </label>
        </th>
        <td className="pt-2 text-right">{count(market.orders)}</td>
        <td className="pt-2 text-right">{percent(market.explained / Math.max(1, market.orders))}</td>
      </tr>
      {options.map(({ option, now, before, orders, explained }) =>
        row(
          partKey(market, 'option', option),
          option === '' ? 'delivery' : option,
          <>
            {words.prices(now.rule)}
            <Before text={words.before(before)} />
          </>,
          orders,
          explained / Math.max(1, orders),
        ),
      )}
      {goals.map(({ from, gap, options: by, since }) =>
        row(
          partKey(market, 'goal', from),
          'goal',
          <>
            free from <strong>{words.money(from)}</strong> {optionNames(by)}
            {options.some(({ option, before }) => before.length > 0 && by.includes(option)) &&
              `, since ${words.day(since)}`}
            {words.gap(gap) && <span className="text-soft"> (where it begins lies {words.gap(gap)})</span>}
          </>,
          null,
          null,
        ),
      )}
      {areas.map(({ parts, more, orders, explained, read }, i) =>
        row(
          partKey(market, 'area', i),
          'area',
          <>
            {parts.map(words.part).join('; ')}:{' '}
            {more === null ? (
              read.options.map(({ option, read: { rules } }) => (
                <Fragment key={option}>
                  {option} {rules.length > 0 && words.prices(rules.at(-1)!.rule)}{' '}
                </Fragment>
              ))
            ) : (
              <>
                {words.money(Math.abs(more))} {more > 0 ? 'more' : 'less'}, where it is not free
              </>
            )}
          </>,
          orders,
          explained / Math.max(1, orders),
        ),
      )}
      {codes.map(({ code, orders, free }) =>
        row(partKey(market, 'code', code), 'code', <>{code} makes delivery free</>, orders, free / Math.max(1, orders)),
      )}
      {(market.unlike.orders > 0 || gone.length > 0) && (
        <tr className="border-b border-hairline">
          <td colSpan={3} className="pt-0 pb-2 pl-6 whitespace-normal">
            <UnlikeOrders unlike={market.unlike} words={words} ofAll={market.orders} />
            {gone.length > 0 && (
              <p className="text-soft">
                No order came by {gone.map((option) => `“${option}”`).join(', ')} in its last three months: left out.
              </p>
            )}
          </td>
        </tr>
      )}
    </tbody>
  );
}

function Before({ text }: { text: string }) {
  return text === '' ? null : <span className="block text-small text-soft">before, {text}</span>;
}
