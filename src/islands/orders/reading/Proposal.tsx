import { useMemo, useState } from 'react';
import { takeReading } from '../../../client/edits/reading-edits.ts';
import type { FoundRules } from '../../../client/orders/reading/reading.worker.ts';
import { takenParts, type PartKey } from '../../../core/reading/taken-parts.ts';
import { useNotation } from '../../page/page-context.tsx';
import { countryName } from '../../page/place-names.ts';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { marketName } from '../market-name.ts';
import { wordsFor } from '../words.ts';
import { Assumed } from './Assumed.tsx';
import { shareWords } from './share-words.ts';
import { ProposedParts } from './ProposedParts.tsx';

/** Names that orders do not say. An option is called what its orders call it, as far as that reads as a name. */
export const optionName = (option: string): string => {
  const plain = option.replace(/[-_]+/g, ' ').trim();
  return plain === '' ? 'Delivery' : plain.charAt(0).toUpperCase() + plain.slice(1);
};

/**
 * Rules that were read, to be taken over as one edit.
 *
 * @param into the market that they are rules of; null: each becomes a market of its own
 */
export function Proposal({ found, into }: { found: FoundRules; into: { id: string; name: string } | null }) {
  const { locale } = useNotation();
  const { count } = wordsFor(locale);
  const { edit, refusal } = useGuardedEdit();
  const [left, setLeft] = useState<ReadonlySet<PartKey>>(new Set());
  const { proposals } = found;
  const taken = useMemo(() => takenParts(proposals, left), [proposals, left]);
  const orders = proposals.reduce((sum, { market }) => sum + market.orders, 0);
  const explained = proposals.reduce((sum, { market }) => sum + market.explained, 0);
  const nameOf = (countries: readonly string[]) => marketName(countries.map((code) => countryName(code, locale)));
  const toggle = (part: PartKey) =>
    setLeft((before) =>
      before.has(part) ? new Set([...before].filter((other) => other !== part)) : new Set([...before, part]),
    );
  const take = () =>
    edit(
      takeReading(
        taken,
        {
          market: nameOf,
          option: optionName,
          area: (number) => `Other prices ${number}`,
          offer: 'Free delivery',
          code: 'Free delivery by code',
        },
        into?.id,
      ),
    );
  const countOf = (parts: 'options' | 'goals' | 'areas' | 'codes') =>
    taken.reduce((sum, one) => sum + one[parts].length, 0);
  return (
    <div data-testid="read-rules">
      <p className="text-lead">
        {shareWords(locale)(explained / Math.max(1, orders))} of {count(orders)} orders were charged, to the cent, as is
        read here.
        {found.refused > 0 && ` ${count(found.refused)} rows of the file could not be read as orders.`}
      </p>
      {refusal}
      <p className="my-2 flex flex-wrap items-baseline gap-x-3">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={taken.length === 0 || (into !== null && countOf('options') === 0)}
          onClick={take}
          data-testid="take-reading"
        >
          Take over{' '}
          {listed([
            [into ? 0 : taken.length, 'market'],
            [countOf('options'), 'option'],
            [countOf('goals'), 'goal'],
            [countOf('areas'), 'area'],
            [countOf('codes'), 'code'],
          ])}
        </button>
        <span className="text-soft">One edit of the draft, undone in one step.</span>
      </p>
      <Assumed countries={taken.flatMap(({ market }) => market.countries)} markets={into === null} />
      <div className="overflow-x-auto">
        <table className="table mt-1 table-xs">
          <thead>
            <tr>
              <th scope="col" className="text-left">
                what the orders say
              </th>
              <th scope="col" className="text-right">
                orders
              </th>
              <th scope="col" className="text-right">
                charged so
              </th>
            </tr>
          </thead>
          {proposals.map((proposal) => (
            <ProposedParts
              key={`${proposal.market.currency} ${proposal.market.countries[0]}`}
              proposal={proposal}
              name={nameOf(proposal.market.countries)}
              left={left}
              toggle={toggle}
            />
          ))}
        </table>
      </div>
    </div>
  );
}

/** “7 markets, 14 options and 7 goals”. */
function listed(parts: readonly (readonly [count: number, what: string])[]): string {
  const said = parts.filter(([count]) => count > 0).map(([count, what]) => `${count} ${what}${count === 1 ? '' : 's'}`);
  return said.length < 2 ? (said[0] ?? 'nothing') : `${said.slice(0, -1).join(', ')} and ${said.at(-1)}`;
}
