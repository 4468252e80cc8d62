import { drawBar, drawClosing, drawOptions, drawText, drawWhy, made, writerOf, type Place } from './draw.ts';
import { askQuote, watchCurrent, type PageCart, type Quote, type Service } from './quote.ts';
import { style } from './style.ts';
import { directionOf } from './words.ts';

/** A cart that is being changed is waited for. ms */
const pause = 120;

const sheet = new CSSStyleSheet();
sheet.replaceSync(style);

const places: readonly string[] = ['strip', 'product', 'miniCart', 'cart', 'checkout'] satisfies Place[];
let count = 0;

/**
 * What a shopper reads and is offered for a cart. It shows what was answered for this very cart, or nothing.
 *
 * Attributes: `src` (where Summant is; where its file came from without), `shop-key`, `place`, `show` (of text, bar, options, why,
 * closing), `language`, `chosen`. The cart: the property `cart`, or JSON in a `<script type="application/json">` within.
 * Events: `quote`, `reached`, `onward`, `choose`, `add`.
 */
class SummantOffer extends HTMLElement {
  static readonly observedAttributes = ['src', 'shop-key', 'place', 'show', 'language', 'chosen', 'lang'];

  readonly #all = made('div', { class: 'all', part: 'all' });
  readonly #said = made('div', { role: 'status', 'aria-live': 'polite' });
  readonly #rest = made('div', { class: 'all' });
  readonly #name = `option-${++count}`;
  #cart: PageCart | null = null;
  #quote: Quote | null = null;
  #asked: AbortController | null = null;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #ends: ReturnType<typeof setTimeout> | undefined;
  #unwatch: (() => void) | null = null;
  /** goals that were reached by the answer before */
  #reached: ReadonlySet<string> | null = null;
  #chosen: string | null = null;
  #child: MutationObserver | null = null;

  constructor() {
    super();
    const root = this.attachShadow({ mode: 'open' });
    root.adoptedStyleSheets = [sheet];
    this.#all.append(this.#said, this.#rest);
    root.append(this.#all);
  }

  /** What is in the cart, whose it is and where it goes; null: nothing is asked and nothing shown. */
  get cart(): PageCart | null {
    return this.#cart;
  }
  set cart(cart: PageCart | null) {
    // As it is now: what the page does to its own afterwards is another cart.
    const next = cart === null ? null : (JSON.parse(JSON.stringify(cart)) as PageCart);
    if (JSON.stringify(next) === JSON.stringify(this.#cart)) return;
    this.#cart = next;
    this.#anew();
  }

  /** What was answered for the cart; null while it is not known. */
  get quote(): Quote | null {
    return this.#quote;
  }

  connectedCallback(): void {
    // A property that was set before the element was known.
    if (Object.hasOwn(this, 'cart')) {
      const { cart } = this;
      delete (this as { cart?: unknown }).cart;
      this.cart = cart;
    }
    this.#child = new MutationObserver(() => this.#readChild());
    this.#child.observe(this, { childList: true, subtree: true, characterData: true });
    this.#readChild();
    this.#watch();
    this.#anew();
  }

  disconnectedCallback(): void {
    this.#unwatch?.();
    this.#unwatch = null;
    this.#child?.disconnect();
    this.#asked?.abort();
    clearTimeout(this.#timer);
    clearTimeout(this.#ends);
  }

  attributeChangedCallback(name: string, before: string | null, after: string | null): void {
    if (before === after || !this.isConnected) return;
    if (name === 'chosen') this.#chosen = after;
    if (name === 'src' || name === 'shop-key') this.#watch();
    if (name === 'place' || name === 'chosen' || (name === 'show' && !this.#asksMore(before))) return this.#draw();
    this.#anew();
  }

  /** Whether products that close the gap are asked for now, and were not. */
  #asksMore(before: string | null): boolean {
    return this.#shows('closing') && !(before ?? '').includes('closing');
  }

  get #service(): Service {
    const own = new URL(import.meta.url).origin;
    const address = this.getAttribute('src')?.replace(/\/+$/, '');
    return { address: address ? address : own, key: this.getAttribute('shop-key') };
  }

  get #language(): string | null {
    return this.getAttribute('language') ?? (this.closest('[lang]')?.getAttribute('lang') || null);
  }

  #shows(what: string): boolean {
    return (this.getAttribute('show') ?? 'text bar').split(/\s+/).includes(what);
  }

  #readChild(): void {
    const script = this.querySelector(':scope > script[type="application/json"]');
    if (!script) return;
    try {
      this.cart = JSON.parse(script.textContent ?? '') as PageCart;
    } catch {
      this.cart = null;
    }
  }

  #watch(): void {
    this.#unwatch?.();
    this.#unwatch = watchCurrent(this.#service, () => this.#ask());
  }

  /** The cart is another: what was answered is no longer true, and its amounts go at once. */
  #anew(): void {
    this.#quote = null;
    this.#draw();
    clearTimeout(this.#timer);
    if (this.#cart === null || !this.isConnected) return;
    this.#timer = setTimeout(() => this.#ask(), pause);
  }

  #ask(): void {
    this.#asked?.abort();
    const cart = this.#cart;
    if (cart === null) return;
    const asked = new AbortController();
    this.#asked = asked;
    const language = this.#language;
    askQuote(
      this.#service,
      {
        ...cart,
        ...(language === null ? {} : { language }),
        ...(this.#shows('closing') ? { closing: { most: 3 } } : {}),
      },
      asked.signal,
    ).then(
      (quote) => {
        if (asked.signal.aborted) return;
        this.#answered(quote);
      },
      () => {
        // Nobody answers, or what is asked is refused: what was true before may no longer be.
        if (asked.signal.aborted) return;
        this.#quote = null;
        this.#draw();
      },
    );
  }

  #answered(quote: Quote): void {
    this.#quote = quote;
    this.#chosen = this.#stillThere(quote) ?? quote.preselected;
    this.#draw();
    this.#tell('quote', quote);
    this.#tellReached(quote);
    clearTimeout(this.#ends);
    const left = quote.deadline === null ? NaN : Date.parse(quote.deadline) - Date.now();
    // What is said holds until then; longer than timers count, the page is not open.
    if (left > 0 && left < 0x7fffffff) this.#ends = setTimeout(() => this.#ask(), left + 50);
  }

  /** What the shopper has chosen, as long as it is offered. */
  #stillThere({ options }: Quote): string | null {
    const chosen = this.#chosen ?? this.getAttribute('chosen');
    return options.some(({ id }) => id === chosen) ? chosen : null;
  }

  /** A goal that was not reached and is now; further ones ahead are told as well. */
  #tellReached({ goals, lead }: Quote): void {
    const reached = new Set(goals.flatMap(({ offer, goal, reached: is }) => (is ? [`${offer} ${goal}`] : [])));
    const before = this.#reached;
    this.#reached = reached;
    if (!before) return;
    for (const { offer, goal } of goals)
      if (reached.has(`${offer} ${goal}`) && !before.has(`${offer} ${goal}`)) {
        this.#tell('reached', { offer, goal });
        if (lead?.state === 'onward' && lead.offer === offer) this.#tell('onward', { offer, goal: lead.goal });
      }
  }

  #tell(name: string, detail: unknown): void {
    this.dispatchEvent(new CustomEvent(name, { detail, bubbles: true, composed: true }));
  }

  #draw(): void {
    const quote = this.#quote;
    this.toggleAttribute('data-waiting', quote === null && this.#cart !== null);
    // The room stays as it is, so that nothing moves while the answer is on its way; nothing in it is seen, read or used.
    this.#all.classList.toggle('away', quote === null);
    this.#rest.inert = quote === null;
    if (!quote) return;
    const language = this.#language ?? quote.messages[0]?.language ?? 'en';
    this.#all.dir = directionOf(language);
    this.#all.lang = language;
    const asked = this.getAttribute('place') ?? '';
    const message = quote.messages.find(({ place }) => place === (places.includes(asked) ? asked : 'cart'));
    const text = this.#shows('text') ? drawText(message) : null;
    // The same is not said again to those who listen.
    if (this.#said.textContent !== (text?.textContent ?? '')) this.#said.replaceChildren(...(text ? [text] : []));
    const focused = (this.shadowRoot!.activeElement as HTMLInputElement | null)?.value;
    const parts = [this.#shows('bar') ? drawBar(message) : null, ...this.#further(quote, language)];
    this.#rest.replaceChildren(...parts.filter((one) => one !== null));
    if (focused) this.#rest.querySelector<HTMLElement>(`input[value="${CSS.escape(focused)}"]`)?.focus();
  }

  /** What stands below text and bar, where it is asked for. */
  #further(quote: Quote, language: string): (HTMLElement | null)[] {
    const write = writerOf(quote, language);
    const choose = (id: string) => {
      this.#chosen = id;
      this.#tell('choose', { option: quote.options.find((one) => one.id === id), quote });
    };
    const add = (product: string, quantity: number) => this.#tell('add', { product, quantity });
    const why = this.#shows('why') ? drawWhy(quote, language, write) : null;
    why?.toggleAttribute('open', this.#rest.querySelector('details')?.open ?? false);
    const chosen = { language, chosen: this.#chosen, name: this.#name, choose };
    return [
      this.#shows('options') ? drawOptions(quote, chosen, write) : null,
      why,
      this.#shows('closing') ? drawClosing(quote, language, write, add) : null,
    ];
  }
}

if (!customElements.get('summant-offer')) customElements.define('summant-offer', SummantOffer);
