import { priceIn } from '../../core/catalogue/product-amount.ts';
import { inOrder } from '../../core/ordered.ts';
import type { DeliveryOption, TestCart } from '../../core/policy/types.ts';
import { optionLabel } from '../../core/wording/option-label.ts';
import { textIn } from '../../core/wording/text-in.ts';
import { formatMoney } from '../../core/money/format.ts';
import type { OptionPrice } from '../../core/evaluation/evaluation.ts';
import { whyNothing, whyUnavailable, type Rehearsal } from '../bench/rehearse-cart.ts';
import { reasonOfOption } from '../frame/reasons.ts';
import { usePage, usePolicy } from '../frame/page-context.tsx';
import { useWhy } from '../../ui/Why.tsx';
import type { Totals } from '../../core/evaluation/evaluation.ts';
import { estimateInWords } from './estimate-in-words.ts';
import { Said } from './Said.tsx';

/** Strip, cart and checkout as the shopper would see them, in their language. */
export function ShopperView({ cart, rehearsal }: { cart: TestCart; rehearsal: Rehearsal }) {
  const policy = usePolicy();
  const { catalogue, compiled } = usePage();
  const { evaluation } = rehearsal;
  const { currency, measures, lead, marketId } = evaluation;
  const languages = marketId ? (policy.markets[marketId]?.languages ?? []) : [];
  const outOfArea = evaluation.noOptions === 'noZone' && marketId ? textIn(policy.markets[marketId]?.outOfArea, cart.language, languages) : null;
  const write = (minor: number) => formatMoney(minor, currency ?? 'EUR', cart.language);
  const valueOf = (id: string, quantity: number) => {
    const product = catalogue.get(id);
    const terms = marketId ? compiled.markets.get(marketId)?.terms : undefined;
    return product && terms ? (priceIn(product, terms) ?? 0) * quantity : 0;
  };
  return (
    <section aria-label="As the shopper sees it">
      <h2 className="text-[13px] font-normal text-soft">strip across the page</h2>
      <div className="mb-3 min-h-8 bg-secondary px-3 py-1.5 text-center text-secondary-content" data-testid="shopper-strip">
        <Said rehearsal={rehearsal} place="strip" />
      </div>
      <h2 className="text-[13px] font-normal text-soft">cart</h2>
      <div className="mb-3 border border-hairline px-3 py-2" data-testid="shopper-cart">
        {lead && <progress className="toward mb-1.5" value={lead.arguments.percent} max={100} data-reached={lead.state === 'reached'} aria-label={`Toward the goal: ${lead.arguments.percent} %`} />}
        <Said rehearsal={rehearsal} place="cart" />
        {measures && currency && (
          <ul className="mt-1 border-t border-hairline pt-1">
            {inOrder(cart.lines).map(([id, line]) => (
              <li key={id} className="flex justify-between gap-3">
                <span className="min-w-0 truncate">
                  {line.quantity} × {catalogue.get(id)?.name ?? id}
                </span>
                <span>{write(valueOf(id, line.quantity))}</span>
              </li>
            ))}
          </ul>
        )}
      </div>
      <h2 className="text-[13px] font-normal text-soft">checkout</h2>
      <div className="border border-hairline px-3 py-2" data-testid="shopper-checkout">
        <Said rehearsal={rehearsal} place="checkout" />
        {outOfArea && <p lang={cart.language}>{outOfArea}</p>}
        {evaluation.noOptions && <p className="text-warning">{whyNothing[evaluation.noOptions]}</p>}
        {currency && (
          <ul className="mt-1">
            {evaluation.options.map((option) => (
              <CheckoutOption key={option.optionId} option={option} label={optionLabel(policy.options[option.optionId]!, cart.language, languages, option.after === 0)} language={cart.language} rehearsal={rehearsal} write={write} />
            ))}
            {evaluation.unavailable.map(({ optionId, shown }) => shown && <UnavailableOption key={optionId} option={policy.options[optionId]!} language={cart.language} languages={languages} />)}
          </ul>
        )}
        {currency && measures && (
          <Sums totals={evaluation.totals} write={write} shownWithTax={compiled.markets.get(marketId ?? '')?.terms.shownWithTax ?? true} />
        )}
        {currency && measures && (
          <p className="mt-1 flex justify-between border-t border-hairline pt-1.5 text-[15px] font-semibold">
            <span>Total</span>
            <span data-testid="shopper-total">{write(evaluation.totals?.toPay ?? 0)}</span>
          </p>
        )}
      </div>
      {evaluation.unavailable.length > 0 && (
        <p className="mt-2 text-[13px] text-soft">Not offered: {evaluation.unavailable.map(({ optionId, reason }) => `${policy.options[optionId]?.name} (${whyUnavailable[reason]})`).join(', ')}.</p>
      )}
    </section>
  );
}

function CheckoutOption({ option, label, language, rehearsal, write }: { option: OptionPrice; label: string; language: string; rehearsal: Rehearsal; write: (minor: number) => string }) {
  const { money } = usePage();
  const { currency, preselected } = rehearsal.evaluation;
  const why = useWhy(`price of ${label}`, () => reasonOfOption(rehearsal.trace(), option.optionId, (minor) => money(minor, currency!)));
  return (
    <li className="py-0.5" data-testid={`checkout-${option.optionId}`}>
      <div className="flex min-h-8 items-center gap-2">
        <span aria-hidden className={`size-3.5 shrink-0 rounded-full border border-soft ${option.optionId === preselected ? 'bg-primary shadow-[inset_0_0_0_2px_var(--color-base-100)]' : ''}`} />
        <span className="min-w-0 flex-1">
          <span lang={language}>{label}</span>
          <span className="text-[12px] text-soft">
            {' '}
            {estimateInWords(option.estimate)}{option.optionId === preselected ? ', chosen at first' : ''}
          </span>
        </span>
        {option.before !== option.after && <s className="text-soft">{write(option.before)}</s>}
        <span className={option.before === option.after ? '' : 'font-semibold text-primary'} data-testid="price-after">
          {write(option.after)}
        </span>
        {why.button}
      </div>
      {why.panel}
    </li>
  );
}

/** An option that shoppers are shown although they cannot choose it, and what they read about that. */
function UnavailableOption({ option, language, languages }: { option: DeliveryOption; language: string; languages: readonly string[] }) {
  return (
    <li className="py-1 text-soft" lang={language}>
      {optionLabel(option, language, languages)}: {textIn(option.whenUnavailable, language, languages)}
    </li>
  );
}

/** What stands between the prices above and the total: what an offer takes off the goods, and tax that comes on top. */
function Sums({ totals, write, shownWithTax }: { totals: Totals | null; write: (minor: number) => string; shownWithTax: boolean }) {
  if (!totals) return null;
  const rows: [string, number][] = [...(totals.goodsReward > 0 ? [['Taken off the goods', -totals.goodsReward] as [string, number]] : []), ...(shownWithTax ? [] : [['Tax', totals.tax] as [string, number]])];
  return rows.map(([name, minor]) => (
    <p key={name} className="mt-1 flex justify-between text-soft">
      <span>{name}</span>
      <span>{write(minor)}</span>
    </p>
  ));
}
