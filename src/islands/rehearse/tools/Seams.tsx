import { useEffect, useMemo, useState, type KeyboardEvent } from 'react';
import { setCartLines } from '../../../client/edits/cart-edits.ts';
import { ordinaryCart } from '../../../core/catalogue/ordinary-cart.ts';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import type { Evaluation } from '../../../core/evaluation/evaluation.ts';
import { situationOfTestCart } from '../../../core/evaluation/test-cart-input.ts';
import { priceUnit } from '../../../core/money/currency.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { seamsOf, type Seam } from '../../../core/sweep/seams.ts';
import { renderLead } from '../../../core/wording/render.ts';
import { usePriceWords } from '../../page/use-price-words.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** Units of a price tag; seams beyond are of no ordinary cart. */
const farthest = 1000;

/** Every amount at which something changes for this cart's shopper, with what is paid and read just below, at and just above it. */
export function Seams({ cartId, cart, zone }: { cartId: string; cart: TestCart; zone: CompiledZone }) {
  const policy = usePolicy();
  const { money } = useNotation();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const edit = useEdit();
  const { currency } = zone.market.market;
  const seams = useMemo(() => {
    return seamsOf(zone, situationOfTestCart(cart, now), farthest * priceUnit(currency));
  }, [zone, cart, now, currency]);
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, seams.length - 1);
  useEffect(() => {
    const onKey = (event: globalThis.KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, dialog, [data-typing]') !== null;
      if (typing || event.ctrlKey || event.metaKey || event.altKey || event.key !== 'n') return;
      setChosen((before) => (Math.min(before, seams.length - 1) + 1) % Math.max(1, seams.length));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [seams.length]);
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    const by = Number(event.key === 'ArrowRight') - Number(event.key === 'ArrowLeft');
    if (by === 0) return;
    event.preventDefault();
    const next = (at + by + seams.length) % seams.length;
    setChosen(next);
    event.currentTarget.querySelectorAll('button')[next]?.focus();
  };
  const seam = seams[at];
  const sides = seam
    ? ([
        ['just below', seam.at - 1, seam.below],
        ['at it', seam.at, seam.here],
        ['just above', seam.at + 1, seam.above],
      ] as const)
    : [];
  const reads = (evaluation: Evaluation) => renderLead(compiled, evaluation, 'strip', cart.language)?.text ?? 'nothing';
  const write = usePriceWords(currency);
  const price = ({ options }: Evaluation, id: string) => write(options.find(({ optionId }) => optionId === id)?.after);
  return (
    <section className="pt-1" aria-label="Walk the seams" data-testid="seams">
      <p className="text-small text-soft">
        Amounts of ordinary goods at which something changes for this shopper. Key N goes to the next.
      </p>
      {!seam ? (
        <p className="py-1 text-soft">Nothing changes for this shopper, whatever the goods are worth.</p>
      ) : (
        <>
          <div className="flex flex-wrap gap-x-1 py-1" role="group" aria-label="Seams" onKeyDown={onKeyDown}>
            {seams.map(({ at: amount, promise }, index) => (
              <button
                key={amount}
                type="button"
                className="btn btn-ghost btn-xs"
                tabIndex={index === at ? 0 : -1}
                aria-pressed={index === at}
                onClick={() => setChosen(index)}
                data-testid={`seam-${amount}`}
              >
                {money(amount, currency)}
                {(promise.kind === 'broken' || (promise.kind === 'kept' && promise.least !== null)) && ' !'}
              </button>
            ))}
          </div>
          <div className="overflow-x-auto">
            <table className="table table-xs" data-testid="seam-table">
              <thead>
                <tr className="border-b border-hairline text-soft">
                  <th scope="col" className="py-1 font-normal">
                    <span className="sr-only">What</span>
                  </th>
                  {sides.map(([name, value]) => (
                    <th key={name} scope="col" className="py-1 pr-4 font-normal">
                      {name}: {money(value, currency)}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {zone.options.map(({ id, option }) => (
                  <Row key={id} name={option.name} values={sides.map(([, , evaluation]) => price(evaluation, id))} />
                ))}
                <Row name="reads" values={sides.map(([, , evaluation]) => reads(evaluation))} />
              </tbody>
            </table>
          </div>
          <p className="text-small" data-testid="seam-promise">
            {promiseInWords(
              seam,
              (minor) => money(minor, currency),
              (offer) => policy.offers[offer]?.name ?? offer,
            )}{' '}
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => edit(setCartLines(cartId, ordinaryCart(catalogue, zone.market.terms, seam.at)))}
              data-testid="fill-to-seam"
            >
              Fill the cart to {money(seam.at, currency)}
            </button>
          </p>
        </>
      )}
    </section>
  );
}

/** What differs from the column before is strong. */
function Row({ name, values }: { name: string; values: readonly string[] }) {
  return (
    <tr className="border-b border-hairline align-top">
      <th scope="row" className="py-1 pr-4 font-normal">
        {name}
      </th>
      {values.map((value, index) => (
        <td key={index} className={`py-1 pr-4 ${index > 0 && value !== values[index - 1] ? 'font-semibold' : ''}`}>
          {value}
        </td>
      ))}
    </tr>
  );
}

function promiseInWords(
  { promise }: Seam,
  money: (minor: number) => string,
  offerName: (offer: string) => string,
): string {
  if (promise.kind === 'none') return 'Just below, nothing is promised.';
  const promised = `Just below, ${money(promise.remaining)} more is said to reach the goal of “${offerName(promise.offerId)}”`;
  if (promise.kind === 'broken') return `${promised}, and it does not: the promise is broken.`;
  return promise.least === null
    ? `${promised}, and it does.`
    : `${promised}, and it does; but ${money(promise.least)} more brings as much, and nobody says so.`;
}
