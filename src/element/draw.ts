import type { Quote } from './quote.ts';
import { wordsIn } from './words.ts';

type Child = Node | string | null;

/** An element with its attributes and what is in it; what is null is left out. */
export function made<K extends keyof HTMLElementTagNameMap>(
  name: K,
  attributes: Record<string, string | null>,
  ...children: Child[]
): HTMLElementTagNameMap[K] {
  const element = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) if (value !== null) element.setAttribute(key, value);
  element.append(...children.filter((child) => child !== null));
  return element;
}

/** A word of the element, in whose place a page may put its own. */
export const slotted = (name: string, word: string): HTMLElement => made('slot', { name }, word);

/** Where a message is read. */
export type Place = 'strip' | 'product' | 'miniCart' | 'cart' | 'checkout';

/** How amounts of a quote are written. */
export function writerOf({ currency }: Quote, language: string): (minor: number) => string {
  if (currency === null) return String;
  const format = new Intl.NumberFormat(language, { style: 'currency', currency });
  const { maximumFractionDigits } = format.resolvedOptions();
  return (minor) => format.format(minor / 10 ** (maximumFractionDigits ?? 2));
}

type Message = Quote['messages'][number];

export function drawText(message: Message | undefined): HTMLElement | null {
  return message ? made('p', { class: 'text', part: 'text', lang: message.language, dir: 'auto' }, message.text) : null;
}

/** How far the cart is, beside the text alone. */
export function drawBar(message: Message | undefined): HTMLElement | null {
  if (!message || message.percent === null) return null;
  const { percent, text } = message;
  const fill = made('i', { part: 'fill' });
  fill.style.width = `${percent}%`;
  return made(
    'div',
    {
      class: 'bar',
      part: 'bar',
      role: 'progressbar',
      'aria-valuemin': '0',
      'aria-valuemax': '100',
      'aria-valuenow': String(percent),
      'aria-label': text,
    },
    fill,
  );
}

export function drawOptions(
  { options, unavailable }: Quote,
  {
    language,
    chosen,
    name,
    choose,
  }: { language: string; chosen: string | null; name: string; choose: (id: string) => void },
  write: (minor: number) => string,
): HTMLElement | null {
  const shown = unavailable.filter((one) => one.shown);
  if (options.length + shown.length === 0) return null;
  const words = wordsIn(language);
  const price = (minor: number): Child => (minor === 0 ? slotted('free', words.free) : write(minor));
  const rows = options.map(({ id, label, description, priceBefore, priceAfter }) => {
    const radio = made('input', { type: 'radio', name, value: id, part: 'radio' });
    radio.checked = id === chosen;
    radio.addEventListener('change', () => choose(id));
    return made(
      'label',
      { part: 'option' },
      radio,
      made('span', { part: 'label' }, label),
      made(
        'span',
        { class: 'price', part: 'price' },
        priceBefore > priceAfter ? made('s', { part: 'before' }, write(priceBefore)) : null,
        price(priceAfter),
      ),
      description === null ? null : made('small', { part: 'description' }, description),
    );
  });
  const gone = shown.map(({ label, text }) =>
    made(
      'div',
      { class: 'gone', part: 'unavailable' },
      made('span', {}, label),
      made('span', {}, text ?? words.unavailable),
    ),
  );
  return made(
    'fieldset',
    { part: 'options' },
    made('legend', { part: 'legend' }, slotted('options', words.options)),
    ...rows,
    ...gone,
  );
}

/** The goal that leads, as counted; and options that cost something else than without offers. */
export function drawWhy(quote: Quote, language: string, write: (minor: number) => string): HTMLElement | null {
  const { lead, goals, options } = quote;
  const words = wordsIn(language);
  const number = new Intl.NumberFormat(language);
  const goal = goals.find(({ offer, goal: id }) => offer === lead?.offer && id === lead.goal);
  const count = (value: number) => (goal?.measure === 'value' ? write(value) : number.format(value));
  const lines = [
    ...(goal && goal.target !== null
      ? [words.of.replace('{counted}', count(goal.counted)).replace('{goal}', count(goal.target))]
      : []),
    ...options
      .filter(({ priceBefore, priceAfter }) => priceBefore !== priceAfter)
      .map(({ label, priceBefore, priceAfter }) => `${label}: ${write(priceBefore)} → ${write(priceAfter)}`),
  ];
  if (lines.length === 0) return null;
  return made(
    'details',
    { part: 'why' },
    made('summary', {}, slotted('why', words.why)),
    ...lines.map((line) => made('p', {}, line)),
  );
}

/** Products that reach the goal ahead. */
export function drawClosing(
  { closing }: Quote,
  language: string,
  write: (minor: number) => string,
  add: (product: string, quantity: number) => void,
): HTMLElement | null {
  if (!closing || closing.length === 0) return null;
  const words = wordsIn(language);
  const rows = closing.map(({ product, name, quantity, cost }) => {
    const called = quantity > 1 ? `${quantity} × ${name}` : name;
    const button = made(
      'button',
      { type: 'button', part: 'add', 'aria-label': `${words.add}: ${called}` },
      slotted('add', words.add),
    );
    button.addEventListener('click', () => add(product, quantity));
    return made(
      'div',
      { class: 'close', part: 'product' },
      made('span', {}, called),
      made('span', { class: 'price' }, write(cost)),
      button,
    );
  });
  return made('div', { part: 'closing' }, ...rows);
}
