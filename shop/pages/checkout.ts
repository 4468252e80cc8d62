import { html, type Html } from '../html.ts';
import type { Visit } from '../shop.ts';
import type { Quote } from '../summant.ts';
import { page } from './layout.ts';

type Option = Quote['options'][number];

/** @param quote what holds at the moment; null: nobody answers @param faults what was answered wrongly, by question */
export function checkoutPage(
  visit: Visit,
  quote: Quote | null,
  faults: ReadonlyMap<string, string> = new Map(),
): string {
  const { words, session, money } = visit;
  if (!quote) return page(visit, words.checkout, html`<p role="alert">${words.away}</p>`);
  const chosen =
    quote.options.find(({ id }) => id === session.chosen) ?? quote.options.find(({ id }) => id === quote.preselected);
  const message = quote.messages.find(({ place }) => place === 'checkout');
  const write = (minor: number) => money(minor, quote.currency);
  const totals = chosen?.totals ?? quote.totals;
  const nothing = quote.noOptions === 'nothingToDeliver';
  return page(
    visit,
    words.checkout,
    html`<div class="two">
      <div>
        <form method="post" action="/checkout/place">
          <label
            >${words.postcode} <input name="postcode" value="${session.postcode}" maxlength="16" autocomplete="off"
          /></label>
          <label
            >${words.code} <input name="code" value="${session.codes.join(' ')}" maxlength="60" autocomplete="off"
          /></label>
          <button>${words.use}</button>
        </form>
        ${message ? html`<p class="message" lang="${message.language}">${message.text}</p>` : null}
        <form method="post" action="/checkout/option">
          <fieldset>
            <legend>${words.delivery}</legend>
            ${quote.options.map((option) => optionRow(visit, option, option === chosen, write))}
            ${quote.unavailable.filter(({ shown }) => shown).map(({ label, text }) => html`<p class="gone">${label}: ${text}</p>`)}
            ${quote.options.length === 0 && !nothing ? html`<p role="alert">${quote.outOfArea ?? words.away}</p>` : null}
          </fieldset>
          <button>${words.update}</button>
        </form>
      </div>
      <form method="post" action="/order">
        ${chosen ? questions(visit, chosen, faults) : null} ${totals ? sums(visit, totals, quote, write) : null}
        <input type="hidden" name="option" value="${chosen?.id ?? ''}" />
        <input type="hidden" name="price" value="${chosen?.priceAfter ?? 0}" />
        ${chosen || nothing ? html`<button class="first">${words.order}</button>` : null}
      </form>
    </div>`,
  );
}

const optionRow = (
  { words }: Visit,
  { id, label, description, priceBefore, priceAfter }: Option,
  chosen: boolean,
  write: (minor: number) => string,
): Html =>
  html`<label class="option"
    ><input type="radio" name="option" value="${id}" ${chosen ? html`checked` : null} /><span
      >${label}${description ? html`<small>${description}</small>` : null}</span
    ><span class="price"
      >${priceBefore > priceAfter ? html`<s>${write(priceBefore)}</s>` : null}
      ${priceAfter === 0 ? words.free : write(priceAfter)}</span
    ></label
  >`;

function questions({ session }: Visit, option: Option, faults: ReadonlyMap<string, string>): Html[] {
  return option.questions.map(({ key, label, required, longest, choices }) => {
    const given = session.answers[key] ?? '';
    const fault = faults.get(key);
    return html`<label
      >${label}${required ? ' *' : ''}
      ${
        choices
          ? html`<select name="answer-${key}">
              <option value=""></option>
              ${choices.map((choice) => html`<option value="${choice.key}" ${choice.key === given ? html`selected` : null}>${choice.label}</option>`)}
            </select>`
          : html`<input name="answer-${key}" value="${given}" maxlength="${longest}" />`
      }
      ${fault ? html`<small role="alert">${fault}</small>` : null}</label
    >`;
  });
}

function sums(
  { words }: Visit,
  totals: NonNullable<Quote['totals']>,
  quote: Quote,
  write: (minor: number) => string,
): Html {
  const rows: [string, string][] = [
    [words.goods, write(totals.goods)],
    ...(totals.goodsReward > 0 ? [[words.discount, write(-totals.goodsReward)] as [string, string]] : []),
    [words.delivery, totals.delivery === 0 ? words.free : write(totals.delivery)],
    [quote.pricesIncludeTax ? words.tax : words.beyondTax, write(totals.tax)],
    [words.total, write(totals.toPay)],
  ];
  return html`<table class="sums">
    ${rows.map(
      ([name, value]) =>
        html`<tr>
          <th scope="row">${name}</th>
          <td class="price">${value}</td>
        </tr>`,
    )}
  </table>`;
}
