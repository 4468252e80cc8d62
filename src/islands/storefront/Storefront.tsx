import type { ReactNode } from 'react';
import type { Look } from '../../core/policy/types.ts';
import type { SheetPart, ShopSheet } from '../../core/quote/shop-sheet.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import type { Place } from '../../core/wording/places.ts';
import { GoalBar } from './GoalBar.tsx';
import { shopWords, shopWordsLanguage, type ShopWords } from './shop-words.ts';
import { ShopQuestions } from './ShopQuestions.tsx';
import { Strip } from './Strip.tsx';
import { useLook } from './use-look.ts';

interface StorefrontProps {
  sheet: ShopSheet;
  look: Look;
  shopName: string;
  language: string;
  width: 'phone' | 'desktop';
  /** ms */
  now: number;
  deadline: number | null;
  timeZone: string;
  /** parts that differ from what it is compared with */
  differs?: ReadonlySet<SheetPart>;
  /** said below an option: why, and what else a marketer asks */
  belowOption?: ((optionId: string) => ReactNode) | undefined;
  /** said where no option can be chosen */
  hindrance?: ReactNode;
  testIds?: boolean;
}

/** The demo shop drawn plainly from what it is told for a cart: strip, product page, mini-cart, cart and checkout. */
export function Storefront({
  sheet,
  look,
  shopName,
  language,
  width,
  now,
  deadline,
  timeZone,
  differs,
  belowOption,
  hindrance,
  testIds,
}: StorefrontProps) {
  const part = useLook(look);
  const words = shopWords(language);
  const id = (name: string) => (testIds ? name : undefined);
  const strip = (
    <div data-differs={differs?.has('strip')}>
      <Differs when={differs?.has('strip')} />
      <Strip
        message={sheet.messages.strip}
        look={look}
        deadline={deadline}
        now={now}
        timeZone={timeZone}
        testId={id('shopper-strip')}
      />
    </div>
  );
  const pieces = sheet.goods.reduce((sum, { quantity }) => sum + quantity, 0);
  const [product] = sheet.goods.slice(-1);
  const message = (place: Place) => <Message sheet={sheet} place={place} words={words} differs={differs} />;
  return (
    <div ref={part} className="shop" data-width={width} lang={shopWordsLanguage(language)} dir={directionOf(language)}>
      {look.position === 'top' && strip}
      <div className="shop-head">
        <strong>{shopName}</strong>
        <div className="shop-mini" data-testid={id('shopper-miniCart')}>
          <span>
            {pieces} · {sheet.goodsValue ?? '–'}
          </span>
          {message('miniCart')}
        </div>
      </div>
      <div className="shop-pages">
        <div>
          {product && (
            <div className="shop-page" data-testid={id('shopper-product')}>
              <p className="shop-title">{product.name}</p>
              <p className="shop-quiet">{words.product}</p>
              {message('product')}
              <span className="shop-button">{words.add}</span>
            </div>
          )}
          <div className="shop-page" data-testid={id('shopper-cart')}>
            <p className="shop-title">{words.cart}</p>
            {message('cart')}
            <ul>
              {sheet.goods.map(({ name, quantity, value }, index) => (
                <li key={index} className="shop-line">
                  <span>
                    {quantity} × {name}
                  </span>
                  <span>{value}</span>
                </li>
              ))}
              {sheet.gifts.map(({ product: gift, quantity }) => (
                <li key={gift} className="shop-line">
                  <span>
                    {quantity} × {gift}
                  </span>
                  <span>{words.gift}</span>
                </li>
              ))}
            </ul>
          </div>
        </div>
        <div className="shop-page" data-testid={id('shopper-checkout')}>
          <p className="shop-title">{words.checkout}</p>
          {message('checkout')}
          {sheet.outOfArea && <p data-differs={differs?.has('outOfArea')}>{sheet.outOfArea}</p>}
          {hindrance}
          <ul>
            {sheet.options.map((option) => (
              <li
                key={option.id}
                className="shop-option"
                data-differs={differs?.has(`option ${option.id}`)}
                data-testid={id(`checkout-${option.id}`)}
              >
                <Differs when={differs?.has(`option ${option.id}`)} />
                <div className="shop-line">
                  <span aria-hidden className="shop-choice" data-chosen={option.chosen} />
                  {option.picture && (
                    <img className="shop-picture" src={option.picture.address} alt={option.picture.alt} />
                  )}
                  <span className="flex-1">{option.label}</span>
                  <span className="whitespace-nowrap">
                    {option.before !== null && <s className="shop-quiet">{option.before}</s>}{' '}
                    <span data-testid={id('price-after')}>{option.after}</span>
                  </span>
                </div>
                <ShopQuestions questions={option.questions} words={words} testId={id(`question-${option.id}`)} />
                {belowOption?.(option.id)}
              </li>
            ))}
            {sheet.unavailable.map((option) => (
              <li key={option.id} className="shop-quiet">
                {option.label}: {option.text}
              </li>
            ))}
          </ul>
          {sheet.sums.map(({ what, amount }) => (
            <p key={what} className="shop-line shop-quiet">
              <span>{words[what]}</span>
              <span>{amount}</span>
            </p>
          ))}
          {sheet.total !== null && (
            <p className="shop-line shop-total" data-differs={differs?.has('total')}>
              <span>
                <Differs when={differs?.has('total')} />
                {words.total}
              </span>
              <span data-testid={id('shopper-total')}>{sheet.total}</span>
            </p>
          )}
        </div>
      </div>
      {look.position === 'bottom' && strip}
    </div>
  );
}

function Message({
  sheet,
  place,
  words,
  differs,
}: {
  sheet: ShopSheet;
  place: Place;
  words: ShopWords;
  differs: ReadonlySet<SheetPart> | undefined;
}) {
  const message = sheet.messages[place];
  if (!message) return <span data-differs={differs?.has(place)} />;
  return (
    <div className="shop-message" data-differs={differs?.has(place)}>
      <Differs when={differs?.has(place)} />
      {place !== 'product' && message.percent !== null && <GoalBar percent={message.percent} name={words.toward} />}
      <p lang={message.language} dir={directionOf(message.language)}>
        {message.text}
      </p>
    </div>
  );
}

/** Said to those who do not see the mark at the side. */
function Differs({ when }: { when: boolean | undefined }) {
  return when ? (
    <span className="sr-only" lang="en">
      differs:{' '}
    </span>
  ) : null;
}
