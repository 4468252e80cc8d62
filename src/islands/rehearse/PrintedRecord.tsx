import { priceIn } from '../../core/catalogue/product-amount.ts';
import { inOrder } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { placeIds, places } from '../../core/wording/places.ts';
import { Reasons, type Reason } from '../../ui/Why.tsx';
import { whyNothing, whyUnavailable, type Rehearsal } from '../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow, useRelease } from '../page/page-context.tsx';
import { reasonOfOption } from '../rehearsal/reasons.ts';

/** Lines below the first that are printed: what lies deeper fills pages. */
const deepest = 1;

function upTo({ children, ...reason }: Reason, depth: number): Reason {
  return { ...reason, children: depth === 0 ? [] : children.map((child) => upTo(child, depth - 1)) };
}

/** One page on paper: the cart, what its shopper is offered and reads, and why. */
export function PrintedRecord({ cart, rehearsal }: { cart: TestCart; rehearsal: Rehearsal }) {
  const policy = usePolicy();
  const { money, locale } = useNotation();
  const catalogue = useCatalogue();
  const compiled = useCompiled();
  const now = useNow();
  const release = useRelease();
  const { currency, options, unavailable, noOptions, marketId, zoneId, totals } = rehearsal.evaluation;
  const terms = marketId ? compiled.markets.get(marketId)?.terms : undefined;
  const write = (minor: number) => (currency ? money(minor, currency) : String(minor));
  const at = new Intl.DateTimeFormat(locale, {
    dateStyle: 'full',
    timeStyle: 'short',
    timeZone: policy.store.timeZone,
  }).format(cart.at === undefined ? now : Date.parse(cart.at));
  const reasons = options.map(({ optionId, after, before }) => {
    // The last two are place and goods, which stand above.
    const lines = reasonOfOption(rehearsal.trace(), optionId, policy, write)?.children.slice(0, -2) ?? [];
    return { optionId, after, before, lines: lines.map((line) => upTo(line, deepest)) };
  });
  // Most offers play the same part for every option: said once, all fits on a page.
  const common =
    reasons.length < 2
      ? []
      : reasons[0]!.lines
          .map(({ sentence }) => sentence)
          .filter((sentence) => reasons.every(({ lines }) => lines.some((line) => line.sentence === sentence)));
  const { country, region, postcode } = cart.destination;
  return (
    <article className="printed-record" aria-label="Printed record">
      <h1>
        {policy.store.name}: {cart.name}
      </h1>
      <p>
        Going to {[country, region, postcode].filter(Boolean).join(' ')}
        {marketId && `, sold in ${policy.markets[marketId]?.name}`}
        {zoneId && `, zone ${policy.zones[zoneId]?.name}`}; read in {cart.language}; {at}. Worked out from the draft
        {release ? ` after release ${release.number}` : ''}.
      </p>
      <table>
        <tbody>
          {inOrder(cart.lines).map(([id, { quantity }]) => {
            const product = catalogue.get(id);
            return (
              <tr key={id}>
                <td>
                  {quantity} × {product?.name ?? id}
                </td>
                <td>{product && terms ? write((priceIn(product, terms) ?? 0) * quantity) : '–'}</td>
              </tr>
            );
          })}
          {totals && (
            <tr>
              <th scope="row">to pay</th>
              <td>{write(totals.toPay)}</td>
            </tr>
          )}
        </tbody>
      </table>
      <h2>What the shopper reads</h2>
      <ul>
        {placeIds.map((place) => (
          <li key={place}>
            {places[place].name}: {rehearsal.message(place)?.text ?? 'nothing'}
          </li>
        ))}
      </ul>
      <h2>What delivery costs, and why</h2>
      {noOptions && <p>{whyNothing[noOptions]}</p>}
      {reasons.map(({ optionId, after, before, lines }) => (
        <section key={optionId}>
          <h3>
            {policy.options[optionId]?.name}: {write(after)}
            {after !== before && ` instead of ${write(before)}`}
          </h3>
          <Reasons reasons={lines.filter(({ sentence }) => !common.includes(sentence))} />
        </section>
      ))}
      {common.length > 0 && <p>For each of them: {common.join('; ')}.</p>}
      {unavailable.length > 0 && (
        <p>
          Not offered:{' '}
          {unavailable
            .map(({ optionId, reason }) => `${policy.options[optionId]?.name} (${whyUnavailable[reason]})`)
            .join(', ')}
          .
        </p>
      )}
    </article>
  );
}
