// Generated from the schema by `npm run types`. Do not edit.

export type Name = string;
/**
 * ISO 4217 code
 */
export type Currency = string;
/**
 * IANA time zone
 */
export type TimeZone = string;
/**
 * ISO 3166-1 alpha-2 code
 */
export type Country = string;
export type Postcode = string;
/**
 * position among its siblings; ties by id
 */
export type Order = number;
/**
 * BCP 47 tag
 */
export type Language = string;
/**
 * a percentage as a decimal string, such as 21 or 5.5
 */
export type DecimalPercent = string;
export type Id = string;
export type AreaPart =
  | {
      kind: 'wholeMarket';
    }
  | {
      kind: 'country';
      country: Country;
    }
  | {
      kind: 'region';
      region: Region;
    }
  | {
      kind: 'postcodes';
      country: Country;
      /**
       * each exact (1799ZA), with * and ? (17*), or an inclusive range (1000..1999); upper-case, without spaces and hyphens
       */
      patterns: {
        [k: string]: true;
      };
    }
  | {
      kind: 'radius';
      center: Coordinates;
      distance: number;
      unit: 'km' | 'mi';
    };
/**
 * ISO 3166-2 code
 */
export type Region = string;
/**
 * one of the kinds that are registered
 */
export type OptionKind = 'parcel' | 'pickUp' | 'localDelivery';
export type ConditionNode =
  | NestedCondition
  | QualifierReference
  | YesNoFact
  | WordFact
  | NumberFact
  | MoneyFact
  | ContentsFact
  | GoodsMoneyFact
  | GoodsNumberFact
  | PostcodeFact
  | DistanceFact
  | WeekdayFact
  | TimeOfDayFact
  | InstantFact;
export type Word = string;
/**
 * groups, categories, tags and the like
 *
 * @minItems 1
 * @maxItems 200
 */
export type Words = Word[];
export type Comparison = 'is' | 'isNot' | 'atLeast' | 'atMost' | 'moreThan' | 'lessThan' | 'between';
/**
 * before or after discounts, with or without tax; as shown is whichever of the two the market shows
 */
export type Basis =
  | 'afterDiscountsAsShown'
  | 'afterDiscountsWithTax'
  | 'afterDiscountsWithoutTax'
  | 'beforeDiscountsAsShown'
  | 'beforeDiscountsWithTax'
  | 'beforeDiscountsWithoutTax';
/**
 * An amount in the currency of the market it belongs to: exact, or following an amount in the store's base currency.
 */
export type LocalAmount = ExactAmount | FollowingAmount;
/**
 * ISO 8601: 1 is Monday, 7 Sunday
 *
 * @minItems 1
 * @maxItems 7
 */
export type Weekdays = number[];
/**
 * whose clock is read: the store’s, the market’s, or an IANA time zone
 */
export type ReadIn = string;
/**
 * hours and minutes
 */
export type TimeOfDay = string;
/**
 * ISO 8601 without zone, to the minute
 */
export type LocalDateTime = string;
/**
 * pieces, lines, grams, cm³, mm, grams
 */
export type CountMeasure = 'items' | 'lines' | 'weight' | 'volume' | 'longestSide' | 'chargeableWeight' | 'parcels';
export type Count = number;
/**
 * one of the kinds that are registered, told apart by the member that only it has
 */
export type LinePrice = PricePerUnit | PricePercent | PriceQuoted;
/**
 * groups, categories, tags and the like
 *
 * @minItems 1
 * @maxItems 200
 */
export type Words1 = Word[];
/**
 * asked of whoever takes the option
 */
export type Question =
  | {
      order: Order;
      kind: 'telephone';
      label: Texts1;
      required: boolean;
      /**
       * letters of the longest answer
       */
      longest?: number;
    }
  | {
      order: Order;
      kind: 'text';
      label: Texts1;
      required: boolean;
      /**
       * letters of the longest answer
       */
      longest?: number;
    }
  | {
      order: Order;
      kind: 'choice';
      label: Texts1;
      required: boolean;
      /**
       * letters of the longest answer
       */
      longest?: number;
      choices: {
        [k: string]: {
          order: Order;
          label: Texts1;
        };
      };
    };
/**
 * at least this reaches the goal
 */
export type Target =
  | {
      /**
       * minor units
       */
      exact: number;
    }
  | FollowingAmount
  | {
      /**
       * pieces or grams
       */
      count: number;
    };
export type Reward =
  | {
      order: Order;
      kind: 'deliveryFree';
      on: OptionSelection;
      /**
       * whether what goods with an own delivery price add is waived too
       */
      coversOwnDelivery: boolean;
      cap?: Amounts5;
    }
  | {
      order: Order;
      kind: 'deliveryAt';
      on: OptionSelection;
      /**
       * whether what goods with an own delivery price add is waived too
       */
      coversOwnDelivery: boolean;
      cap?: Amounts6;
      price: Amounts7;
    }
  | {
      order: Order;
      kind: 'deliveryLessPercent';
      on: OptionSelection;
      /**
       * whether what goods with an own delivery price add is waived too
       */
      coversOwnDelivery: boolean;
      cap?: Amounts8;
      percent: DecimalPercent;
    }
  | {
      order: Order;
      kind: 'deliveryLessAmount';
      on: OptionSelection;
      /**
       * whether what goods with an own delivery price add is waived too
       */
      coversOwnDelivery: boolean;
      cap?: Amounts9;
      amount: Amounts;
    }
  | {
      order: Order;
      kind: 'upgrade';
      on: OptionSelection;
      /**
       * whether what goods with an own delivery price add is waived too
       */
      coversOwnDelivery: boolean;
      cap?: Amounts10;
      /**
       * the options it applies to
       */
      priceOf:
        | {
            by: 'all';
          }
        | {
            by: 'kind';
            /**
             * @minItems 1
             * @maxItems 3
             */
            kinds: OptionKind[];
          }
        | {
            by: 'tag';
            tags: Words;
          }
        | {
            by: 'list';
            /**
             * option id → true
             */
            options: {
              [k: string]: true;
            };
          };
    }
  | {
      order: Order;
      kind: 'goodsLessPercent';
      percent: DecimalPercent;
      goods?: GoodsSelection;
    }
  | {
      order: Order;
      kind: 'gift';
      product: Id;
      quantity: number;
    };
/**
 * the options it applies to
 */
export type OptionSelection =
  | {
      by: 'all';
    }
  | {
      by: 'kind';
      /**
       * @minItems 1
       * @maxItems 3
       */
      kinds: OptionKind[];
    }
  | {
      by: 'tag';
      tags: Words;
    }
  | {
      by: 'list';
      /**
       * option id → true
       */
      options: {
        [k: string]: true;
      };
    };
/**
 * what shoppers of an arm see of the goal
 */
export type ArmVersion =
  | {
      kind: 'asIs' | 'none';
    }
  | {
      kind: 'target';
      target: Target;
    }
  | {
      kind: 'rewards';
      rewards: {
        [k: string]: Reward;
      };
    };
/**
 * ISO 8601
 */
export type Date = string;
/**
 * a discount on goods that the shop has granted, in the market’s currency and as prices are shown
 */
export type CartDiscount =
  | {
      kind: 'percent';
      percent: Share;
      code?: Code;
      goods?: GoodsSelection;
      /**
       * only from this goods value before discounts
       */
      from?: number;
      /**
       * only below this goods value before discounts
       */
      below?: number;
    }
  | {
      kind: 'amount';
      amount: Minor;
      code?: Code;
      goods?: GoodsSelection;
      /**
       * minor units
       */
      from?: number;
      /**
       * minor units
       */
      below?: number;
    };
/**
 * a percentage from 0 to 100 as a decimal string, such as 12.5
 */
export type Share = string;
/**
 * as shoppers enter it, upper case
 */
export type Code = string;
/**
 * minor units
 */
export type Minor = number;
/**
 * ISO 8601, UTC
 */
export type Instant = string;
/**
 * what holds for them
 */
export type GuaranteeClaim =
  | {
      /**
       * can be chosen
       */
      kind: 'offered';
      /**
       * some of the options, or each
       */
      of: 'some' | 'each';
      on: OptionSelection;
    }
  | {
      /**
       * costs no more, after offers, where it can be chosen
       */
      kind: 'costsAtMost';
      /**
       * some of the options, or each
       */
      of: 'some' | 'each';
      on: OptionSelection;
      /**
       * minor units
       */
      atMost: number;
    }
  | {
      /**
       * costs nothing after offers
       */
      kind: 'free';
      /**
       * some of the options, or each
       */
      of: 'some' | 'each';
      on: OptionSelection;
    }
  | {
      /**
       * costs no more as goods are added
       */
      kind: 'neverRises';
      on: OptionSelection;
    }
  | {
      /**
       * costs no more than for a guest with the same cart
       */
      kind: 'noMoreThanGuests';
      on: OptionSelection;
    }
  | {
      /**
       * a message is read somewhere, in every language of the market
       */
      kind: 'read';
      /**
       * always, or as long as a goal lies ahead
       */
      until: 'always' | 'goalReached';
    }
  | {
      /**
       * the goals of each offer, or of one, agree across markets at adopted rates
       */
      kind: 'goalsAgree';
      offer?: Id;
      /**
       * percent by which the highest may be above the lowest
       */
      within: number;
    }
  | {
      /**
       * the lowest price before offers in the first zone of each market agrees across markets at adopted rates
       */
      kind: 'pricesAgree';
      on: OptionSelection;
      /**
       * percent by which the highest may be above the lowest
       */
      within: number;
    };
/**
 * one of the kinds that are registered
 */
export type SurfaceKind =
  'banner' | 'policyPage' | 'landingPage' | 'mailTemplate' | 'productFeed' | 'structuredData' | 'rateSheet';
/**
 * sRGB, as #rrggbb
 */
export type HexColour = string;

/**
 * Everything a store promises about delivery: markets, zones, options, offers and their wording. Collections are objects keyed by a stable id; `order` decides the sequence shown.
 */
export interface Policy {
  version: 4;
  store: Store;
  markets: {
    [k: string]: Market;
  };
  rates?: Rates;
  zones: {
    [k: string]: Zone;
  };
  options: {
    [k: string]: DeliveryOption;
  };
  /**
   * Qualifiers: conditions with a name, to be used wherever a condition can stand.
   */
  qualifiers: {
    [k: string]: Qualifier;
  };
  offers: {
    [k: string]: Offer;
  };
  /**
   * messages without a goal; no notice is called like an offer
   */
  notices?: {
    [k: string]: Notice;
  };
  /**
   * shoppers of a market split between versions of an offer
   */
  experiments?: {
    [k: string]: Experiment;
  };
  /**
   * offer id → state → place → language → ICU MessageFormat text
   */
  wording: {
    [k: string]: OfferWording;
  };
  /**
   * Saved carts: the bench shows the pinned ones.
   */
  testCarts: {
    [k: string]: TestCart;
  };
  /**
   * what is to hold whatever anyone edits; no promise to shoppers
   */
  guarantees?: {
    [k: string]: Guarantee;
  };
  /**
   * other places that state delivery prices; no promise to shoppers
   */
  surfaces?: {
    [k: string]: Surface;
  };
  /**
   * text of generated surfaces → language → ICU MessageFormat text, in place of the one that ships
   */
  surfaceTexts?: {
    [k: string]: Texts1;
  };
  /**
   * made-up shoppers to try conditions and offers with; no promise to anybody
   */
  shoppers?: {
    [k: string]: MadeUpShopper;
  };
  /**
   * where shoppers collect what they have bought
   */
  places?: {
    [k: string]: PickUpPlace;
  };
  calendars?: {
    [k: string]: Calendar;
  };
  /**
   * market → what is assumed of its shoppers when goals are weighed; no promise to them
   */
  assumptions?: {
    [k: string]: Assumption;
  };
  /**
   * findings of the check-up that are put up with, by their id; no promise to shoppers
   */
  accepted?: {
    [k: string]: {
      /**
       * why
       */
      reason: string;
      /**
       * what it said then: once it says something else it is not accepted any more
       */
      sentence: string;
    };
  };
  /**
   * beside a text of the same address in wording: what is not yet readable, and the source text it was made from
   */
  textNotes?: {
    [k: string]: {
      invite?: PlaceTextNotes;
      progress?: PlaceTextNotes;
      nearly?: PlaceTextNotes;
      reached?: PlaceTextNotes;
      onward?: PlaceTextNotes;
      missedOut?: PlaceTextNotes;
      notice?: PlaceTextNotes;
      newsletter?: PlaceTextNotes;
      landingPage?: PlaceTextNotes;
    };
  };
  look?: Look;
}
export interface Store {
  name: Name;
  baseCurrency: Currency;
  /**
   * the language in which texts are written first; the first market's first when absent
   */
  sourceLanguage?: string;
  timeZone: TimeZone;
  origin: {
    country: Country;
    postcode: Postcode;
  };
  packing?: Packing;
}
/**
 * how goods are packed, where an option does not say otherwise; one parcel and nothing added when absent
 */
export interface Packing {
  /**
   * of the packaging of each parcel
   */
  packaging?: number;
  /**
   * added to the goods of a parcel
   */
  percent?: string;
  /**
   * a parcel's weight is rounded up to a multiple of it
   */
  roundUpTo?: number;
  /**
   * the most a parcel may weigh, packaging included, before it is rounded; no limit when absent
   */
  most?: number;
}
export interface Market {
  order: Order;
  name: Name;
  /**
   * @minItems 0
   * @maxItems 260
   */
  countries: Country[];
  currency: Currency;
  /**
   * @minItems 1
   * @maxItems 20
   */
  languages: Language[];
  tax: {
    /**
     * whether prices shown and entered contain tax
     */
    prices: 'withTax' | 'withoutTax';
    /**
     * tax rate on delivery, in percent
     */
    delivery: string;
    /**
     * tax class → rate, in percent
     */
    classes: {
      [k: string]: DecimalPercent;
    };
    /**
     * region → rates that differ there
     */
    regions?: {
      [k: string]: {
        delivery?: DecimalPercent;
        /**
         * tax class → rate, in percent
         */
        classes?: {
          [k: string]: DecimalPercent;
        };
      };
    };
  };
  /**
   * the smallest step of prices paid in cash there, such as 5 for 0.05; minor units
   */
  cashIncrement?: number;
  /**
   * the option chosen for the shopper at first
   */
  preselect: 'first' | 'cheapest';
  /**
   * also every country that no market names
   */
  elsewhere?: true;
  timeZone?: TimeZone;
  outOfArea?: Texts;
}
/**
 * what a shopper reads whose destination lies in no zone
 */
export interface Texts {
  [k: string]: string;
}
/**
 * currency → the rate adopted for it: 1 unit of the base currency is that many units
 */
export interface Rates {
  [k: string]: {
    /**
     * a decimal string, kept as given
     */
    rate: string;
    /**
     * day, UTC
     */
    adoptedAt: string;
  };
}
export interface Zone {
  order: Order;
  market: Id;
  name: Name;
  on: boolean;
  area: {
    include: {
      [k: string]: AreaPart;
    };
    exclude?: {
      [k: string]: AreaPart;
    };
  };
}
/**
 * WGS 84, degrees
 */
export interface Coordinates {
  latitude: number;
  longitude: number;
}
export interface DeliveryOption {
  order: Order;
  zone: Id;
  on: boolean;
  name: Name;
  kind: OptionKind;
  label: Texts1;
  estimate: {
    min: number;
    max: number;
    /**
     * working days when absent
     */
    unit?: 'workingDays' | 'hours';
    /**
     * orders before it leave the same day; on the store’s clock
     */
    cutOff?: string;
    /**
     * Monday to Friday without holidays when absent
     */
    calendar?: string;
  };
  charge: Charge;
  packing?: Packing1;
  description?: Texts1;
  /**
   * where it is collected
   */
  place?: string;
  when?: Condition1;
  schedule?: Schedule;
  tags?: Words;
  channels?: Words1;
  freeLabel?: Texts2;
  whenUnavailable?: Texts3;
  /**
   * what the option asks its shopper
   */
  questions?: {
    [k: string]: Question;
  };
  /**
   * shown beside its label
   */
  picture?: {
    /**
     * the SHA-256 of its bytes, under which it is kept
     */
    image: string;
    alt: Texts4;
  };
}
/**
 * language → text
 */
export interface Texts1 {
  [k: string]: string;
}
export interface Charge {
  /**
   * of the lines that apply
   */
  combine: 'first' | 'sum' | 'highest' | 'lowest';
  /**
   * cm³ that count as one kilogram in the chargeable weight; 5000 when absent
   */
  volumeDivisor?: number;
  lines: {
    [k: string]: ChargeLine;
  };
  /**
   * what holds when no line applies
   */
  otherwise:
    | {
        kind: 'notOffered';
      }
    | {
        kind: 'price';
        price: LocalAmount;
      };
  /**
   * added to the charge
   */
  handling?:
    | {
        amount: LocalAmount;
      }
    | {
        /**
         * a percentage as a decimal string, such as 21 or 5.5
         */
        percent: string;
      };
}
export interface ChargeLine {
  order: Order;
  when?: Condition;
  /**
   * half-open range [from, to) of a measure; `to` null is open
   */
  over?:
    | {
        measure: 'goodsValue';
        from: LocalAmount;
        to: LocalAmount | null;
      }
    | {
        measure: CountMeasure;
        from: Count;
        to: Count | null;
      };
  price: LinePrice;
}
export interface Condition {
  /**
   * all of them, at least one of them, or none of them
   */
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
export interface NestedCondition {
  order: Order;
  kind: 'group';
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
export interface QualifierReference {
  order: Order;
  kind: 'qualifier';
  qualifier: Id;
}
export interface YesNoFact {
  order: Order;
  kind: 'yesNo';
  fact: 'shopper.signedIn' | 'shopper.firstOrder' | 'shopper.business' | 'destination.residential';
  is: boolean;
}
export interface WordFact {
  order: Order;
  kind: 'word';
  fact:
    | 'shopper.group'
    | 'shopper.tag'
    | 'shopper.billingCountry'
    | 'shopper.individual'
    | 'cart.code'
    | 'cart.currency'
    | 'cart.channel'
    | 'destination.country'
    | 'destination.region'
    | 'destination.zone'
    | 'destination.market';
  /**
   * is and isNot take one value; contains is is for facts of several words
   */
  operator: 'is' | 'isNot' | 'oneOf' | 'noneOf' | 'contains';
  values: Words;
}
export interface NumberFact {
  order: Order;
  kind: 'number';
  /**
   * counts; days; minor units of the base currency; grams, cm³, grams at 5000 cm³/kg, mm; quantity of one line
   */
  fact:
    | 'shopper.orderCount'
    | 'shopper.daysSinceLastOrder'
    | 'shopper.lifetimeSpend'
    | 'cart.items'
    | 'cart.lines'
    | 'line.quantity'
    | 'category.quantity'
    | 'cart.weight'
    | 'cart.chargeableWeight'
    | 'cart.parcels'
    | 'cart.volume'
    | 'cart.longestSide';
  operator: Comparison;
  value: number;
  /**
   * the upper end of between, included
   */
  to?: number;
}
export interface MoneyFact {
  order: Order;
  kind: 'money';
  fact: 'cart.goodsValue' | 'cart.countedValue' | 'line.value';
  basis: Basis;
  operator: Comparison;
  amounts: Amounts;
  to?: Amounts1;
}
/**
 * market id → amount there
 */
export interface Amounts {
  [k: string]: LocalAmount;
}
export interface ExactAmount {
  /**
   * minor units
   */
  exact: number;
}
/**
 * base × adopted rate × (1 + buffer), rounded to a step, less an ending
 */
export interface FollowingAmount {
  following: {
    /**
     * minor units of the store's base currency
     */
    base: number;
    /**
     * a percentage as a decimal string, such as 21 or 5.5
     */
    buffer: string;
    round: 'nearest' | 'up' | 'down';
    /**
     * minor units of the local currency
     */
    step: number;
    /**
     * taken off after rounding: 5 of a step of 500 gives 4.95, 9.95, …; minor units
     */
    less: number;
  };
}
/**
 * market id → amount there
 */
export interface Amounts1 {
  [k: string]: LocalAmount;
}
export interface ContentsFact {
  order: Order;
  kind: 'contents';
  operator: 'contains' | 'only' | 'none';
  goods: GoodsSelection;
}
/**
 * goods that are one of the products, or in one of the categories, or carry one of the tags (any goods when none is named), and whose price is in the range
 */
export interface GoodsSelection {
  /**
   * @minItems 1
   * @maxItems 200
   */
  products?: Id[];
  categories?: Words;
  tags?: Words;
  unitPriceFrom?: Amounts2;
  unitPriceBelow?: Amounts3;
}
/**
 * market id → amount there
 */
export interface Amounts2 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts3 {
  [k: string]: LocalAmount;
}
export interface GoodsMoneyFact {
  order: Order;
  kind: 'goodsMoney';
  fact: 'cart.valueOf';
  goods: GoodsSelection;
  basis: Basis;
  operator: Comparison;
  amounts: Amounts;
  to?: Amounts4;
}
/**
 * market id → amount there
 */
export interface Amounts4 {
  [k: string]: LocalAmount;
}
export interface GoodsNumberFact {
  order: Order;
  kind: 'goodsNumber';
  fact: 'cart.quantityOf';
  goods: GoodsSelection;
  operator: Comparison;
  value: number;
  /**
   * the upper end of between, included
   */
  to?: number;
}
export interface PostcodeFact {
  order: Order;
  kind: 'postcode';
  /**
   * @minItems 1
   * @maxItems 500
   */
  patterns: string[];
}
export interface DistanceFact {
  order: Order;
  kind: 'distance';
  center: Coordinates;
  operator: Comparison;
  /**
   * km
   */
  value: number;
  /**
   * km, included
   */
  to?: number;
}
export interface WeekdayFact {
  order: Order;
  kind: 'weekday';
  days: Weekdays;
  readIn: ReadIn;
}
export interface TimeOfDayFact {
  order: Order;
  kind: 'timeOfDay';
  from: TimeOfDay;
  /**
   * hours and minutes
   */
  to: string;
  readIn: ReadIn;
}
export interface InstantFact {
  order: Order;
  kind: 'instant';
  /**
   * before and after leave the minute out and in; between includes the whole minute of its end
   */
  operator: 'before' | 'after' | 'between';
  at: LocalDateTime;
  to?: LocalDateTime;
  readIn: ReadIn;
}
export interface PricePerUnit {
  fixed: LocalAmount;
  /**
   * added for what the measure exceeds the range's start by
   */
  perUnit?: {
    measure: 'goodsValue' | 'weight' | 'chargeableWeight' | 'items' | 'lines' | 'parcels' | 'volume' | 'longestSide';
    amount: LocalAmount;
    /**
     * units the amount is for, such as 1000 for each kilogram; minor units for goods value
     */
    per: number;
    /**
     * where units begin to count: where the range of the line begins when absent
     */
    countsFrom?: 'nothing';
    /**
     * every started unit counts whole; otherwise in proportion
     */
    started: boolean;
  };
  min?: LocalAmount;
  max?: LocalAmount;
}
/**
 * a share of the goods value that the charge looks at
 */
export interface PricePercent {
  percent: DecimalPercent;
  basis: Basis;
  min?: LocalAmount;
  max?: LocalAmount;
}
/**
 * a carrier’s quote with margin
 */
export interface PriceQuoted {
  /**
   * whose quote, as the shop names it
   */
  carrier: string;
  marginPercent?: DecimalPercent;
  marginFixed?: LocalAmount;
  /**
   * An amount in the currency of the market it belongs to: exact, or following an amount in the store's base currency.
   */
  fallback?: ExactAmount | FollowingAmount;
}
/**
 * in place of the store's, as a whole
 */
export interface Packing1 {
  /**
   * of the packaging of each parcel
   */
  packaging?: number;
  /**
   * added to the goods of a parcel
   */
  percent?: string;
  /**
   * a parcel's weight is rounded up to a multiple of it
   */
  roundUpTo?: number;
  /**
   * the most a parcel may weigh, packaging included, before it is rounded; no limit when absent
   */
  most?: number;
}
/**
 * for which shoppers, carts, destinations and times it is offered
 */
export interface Condition1 {
  /**
   * all of them, at least one of them, or none of them
   */
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
export interface Schedule {
  readIn: ReadIn;
  /**
   * ISO 8601 without zone, to the minute
   */
  from?: string;
  /**
   * ISO 8601 without zone, to the minute
   */
  until?: string;
}
/**
 * language → text
 */
export interface Texts2 {
  [k: string]: string;
}
/**
 * language → text
 */
export interface Texts3 {
  [k: string]: string;
}
/**
 * language → text
 */
export interface Texts4 {
  [k: string]: string;
}
export interface Qualifier {
  order: Order;
  name: Name;
  note?: string;
  condition: Condition;
}
export interface Offer {
  order: Order;
  name: Name;
  note: string;
  on: boolean;
  /**
   * set aside: off, kept with its texts, left out of lists
   */
  archived?: true;
  /**
   * higher comes first
   */
  priority: number;
  /**
   * whether it may combine with other offers on one option
   */
  combines: boolean;
  unlock:
    | {
        by: 'amount';
      }
    | {
        by: 'code' | 'amountOrCode' | 'amountAndCode';
        /**
         * code → true
         */
        codes: {
          [k: string]: true;
        };
      };
  /**
   * market id → true; every market when absent
   */
  markets?: {
    [k: string]: true;
  };
  schedule?: Schedule;
  when?: Condition2;
  /**
   * how often it may be used
   */
  limits?: {
    inAll?: number;
    perShopper?: number;
  };
  /**
   * from which remainder on the shopper is nearly there
   */
  nearly?:
    | {
        /**
         * a percentage as a decimal string, such as 21 or 5.5
         */
        share: string;
      }
    | {
        amounts: Amounts;
      };
  /**
   * ascending
   */
  goals: {
    [k: string]: Goal;
  };
}
/**
 * who qualifies
 */
export interface Condition2 {
  /**
   * all of them, at least one of them, or none of them
   */
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
export interface Goal {
  order: Order;
  measure:
    | {
        kind: 'countedValue';
        basis: Basis;
      }
    | {
        /**
         * pieces, or grams
         */
        kind: 'items' | 'weight';
      };
  goods?: GoodsSelection1;
  /**
   * market id → amount; a market that is absent does not have the offer
   */
  targets: {
    [k: string]: Target;
  };
  /**
   * what becomes of the rewards of lower goals of the offer
   */
  then: 'replace' | 'add';
  rewards: {
    [k: string]: Reward;
  };
}
/**
 * goods that are one of the products, or in one of the categories, or carry one of the tags (any goods when none is named), and whose price is in the range
 */
export interface GoodsSelection1 {
  /**
   * @minItems 1
   * @maxItems 200
   */
  products?: Id[];
  categories?: Words;
  tags?: Words;
  unitPriceFrom?: Amounts2;
  unitPriceBelow?: Amounts3;
}
/**
 * market id → amount there
 */
export interface Amounts5 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts6 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts7 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts8 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts9 {
  [k: string]: LocalAmount;
}
/**
 * market id → amount there
 */
export interface Amounts10 {
  [k: string]: LocalAmount;
}
export interface Notice {
  order: Order;
  name: Name;
  note: string;
  on: boolean;
  /**
   * set aside: off, kept with its texts, left out of lists
   */
  archived?: true;
  /**
   * higher comes first
   */
  priority: number;
  /**
   * market id → true; every market when absent
   */
  markets?: {
    [k: string]: true;
  };
  when?: Condition3;
  schedule?: Schedule;
  /**
   * what it counts down to
   */
  countdown?:
    | {
        to: 'cutOff';
        on: OptionSelection;
        /**
         * said only so many hours before it; always when absent
         */
        withinHours?: number;
      }
    | {
        to: 'moment';
        at: LocalDateTime;
        readIn: ReadIn;
        /**
         * said only so many hours before it; always when absent
         */
        withinHours?: number;
      };
}
/**
 * whom it is for
 */
export interface Condition3 {
  /**
   * all of them, at least one of them, or none of them
   */
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
/**
 * shoppers of a market split between versions of a goal, from its first day to its last on the store's clock
 */
export interface Experiment {
  order: Order;
  name: Name;
  /**
   * what one wants to know, and why
   */
  note?: string;
  market: Id;
  offer: Id;
  goal: Id;
  /**
   * the first is what the others are compared with
   */
  arms: {
    [k: string]: Arm;
  };
  from: Date;
  until: Date;
  /**
   * what it is judged by, of an order
   */
  measure: 'orderValue' | 'margin';
  /**
   * the smallest difference worth knowing, minor units of the market's currency
   */
  smallestEffect: number;
  /**
   * of two arms together, with which it was planned: intervals are tightest about there
   */
  plannedOrders: number;
  /**
   * it ends by itself once an arm surely loses margin
   */
  guard: boolean;
  outcome?: ExperimentOutcome;
}
export interface Arm {
  order: Order;
  name: Name;
  /**
   * of shoppers, in hundredths of a percent
   */
  share: number;
  version: ArmVersion;
}
/**
 * it is over
 */
export interface ExperimentOutcome {
  endedOn: Date;
  /**
   * the arm that everybody sees since; null: none
   */
  kept: Id | null;
  learnt: string;
}
export interface OfferWording {
  invite?: PlaceTexts;
  progress?: PlaceTexts;
  nearly?: PlaceTexts;
  reached?: PlaceTexts;
  onward?: PlaceTexts;
  missedOut?: PlaceTexts;
  notice?: PlaceTexts1;
  newsletter?: PlaceTexts2;
  landingPage?: PlaceTexts3;
}
/**
 * a place without its own text takes that of everyPlace
 */
export interface PlaceTexts {
  everyPlace?: Texts1;
  strip?: Texts1;
  product?: Texts1;
  miniCart?: Texts1;
  cart?: Texts1;
  checkout?: Texts1;
}
/**
 * a place without its own text takes that of everyPlace
 */
export interface PlaceTexts1 {
  everyPlace?: Texts1;
  strip?: Texts1;
  product?: Texts1;
  miniCart?: Texts1;
  cart?: Texts1;
  checkout?: Texts1;
}
/**
 * a place without its own text takes that of everyPlace
 */
export interface PlaceTexts2 {
  everyPlace?: Texts1;
  strip?: Texts1;
  product?: Texts1;
  miniCart?: Texts1;
  cart?: Texts1;
  checkout?: Texts1;
}
/**
 * a place without its own text takes that of everyPlace
 */
export interface PlaceTexts3 {
  everyPlace?: Texts1;
  strip?: Texts1;
  product?: Texts1;
  miniCart?: Texts1;
  cart?: Texts1;
  checkout?: Texts1;
}
export interface TestCart {
  order: Order;
  name: Name;
  pinned: boolean;
  language: Language;
  destination: Destination;
  /**
   * product id → quantity and position
   */
  lines: {
    [k: string]: CartLine;
  };
  /**
   * as the shopper enters them
   *
   * @maxItems 20
   */
  codes?: Word[];
  discounts?: {
    [k: string]: {
      order: Order;
      discount: CartDiscount;
    };
  };
  channel?: Word;
  shopper?: Shopper;
  /**
   * ISO 8601, UTC
   */
  at?: string;
  quotes?: Quotes;
  redemptions?: Redemptions;
  earlier?: EarlierChoice;
  expects?: Expectation;
  placed?: PlacedOrder;
}
export interface Destination {
  country: Country;
  /**
   * ISO 3166-2 code
   */
  region?: string;
  postcode: Postcode;
  coordinates?: Coordinates;
  residential?: boolean;
}
export interface CartLine {
  order: Order;
  quantity: number;
}
export interface Shopper {
  signedIn: boolean;
  /**
   * the shop’s key for this person
   */
  individual?: string;
  groups?: Words;
  tags?: Words;
  business?: boolean;
  /**
   * past orders
   */
  orderCount?: number;
  lastOrderAt?: Instant;
  /**
   * minor units
   */
  lifetimeSpend?: number;
  /**
   * ISO 3166-1 alpha-2 code
   */
  billingCountry?: string;
}
/**
 * carrier → what it quotes, in minor units of the market’s currency; null when it does not answer
 */
export interface Quotes {
  [k: string]: Minor | null;
}
/**
 * offer → how often it has been used
 */
export interface Redemptions {
  [k: string]: {
    inAll: number;
    byShopper?: number;
  };
}
/**
 * an option the shopper chose before, and its price then
 */
export interface EarlierChoice {
  option: Id;
  price: Minor;
}
/**
 * what a test cart is to be offered and told; only what it names is compared
 */
export interface Expectation {
  /**
   * option → its price after in minor units of the market's currency; null: not offered
   */
  options?: {
    [k: string]: Minor | null;
  };
  /**
   * offer → whether its last goal is reached
   */
  goals?: {
    [k: string]: boolean;
  };
  /**
   * place → what is read there; empty: nothing
   */
  messages?: {
    strip?: string;
    product?: string;
    miniCart?: string;
    cart?: string;
    checkout?: string;
  };
  /**
   * minor units
   */
  toPay?: number;
}
/**
 * what an order like this one was charged for delivery, if it has been placed
 */
export interface PlacedOrder {
  /**
   * minor units
   */
  charged: number;
  /**
   * the option taken; the one chosen at first when absent
   */
  option?: string;
  /**
   * why a price was set by hand
   */
  exception?: string;
}
export interface Guarantee {
  order: Order;
  name: Name;
  on: boolean;
  /**
   * market id → true; every market when absent
   */
  markets?: {
    [k: string]: true;
  };
  when?: Condition4;
  claim: GuaranteeClaim;
}
/**
 * for which shoppers, destinations and carts; for all when absent
 */
export interface Condition4 {
  /**
   * all of them, at least one of them, or none of them
   */
  of: 'all' | 'any' | 'none';
  conditions: {
    [k: string]: ConditionNode;
  };
}
export interface Surface {
  order: Order;
  name: Name;
  kind: SurfaceKind;
  /**
   * where its text is fetched; it is pasted or handed in as a file when absent
   */
  address?: string;
  /**
   * that it speaks for; none: all
   */
  markets: {
    [k: string]: true;
  };
  /**
   * that it is written in; none: those of its markets
   *
   * @minItems 0
   * @maxItems 20
   */
  languages: Language[];
  /**
   * who brings it into line
   */
  keeper?: string;
}
export interface MadeUpShopper {
  order: Order;
  name: Name;
  shopper: Shopper;
}
export interface PickUpPlace {
  order: Order;
  name: Name;
  address: {
    street: string;
    postcode: Postcode;
    town: string;
    country: Country;
  };
  coordinates?: Coordinates;
  /**
   * IANA time zone
   */
  timeZone?: string;
  /**
   * weekday (1 Monday to 7 Sunday, ISO 8601) → when it is open, [from, to) on its clock; always when absent
   */
  hours?: {
    /**
     * @minItems 1
     * @maxItems 4
     */
    [k: string]: {
      from: TimeOfDay;
      to: TimeOfDay;
    }[];
  };
  instructions?: Texts5;
}
/**
 * language → text
 */
export interface Texts5 {
  [k: string]: string;
}
export interface Calendar {
  order: Order;
  name: Name;
  workingDays: Weekdays;
  /**
   * hours and minutes
   */
  opens?: string;
  /**
   * day → its name
   */
  holidays: {
    [k: string]: Name;
  };
}
export interface Assumption {
  /**
   * a percentage as a decimal string, such as 21 or 5.5
   */
  margin: string;
  /**
   * a percentage as a decimal string, such as 21 or 5.5
   */
  reach: string;
  /**
   * a percentage as a decimal string, such as 21 or 5.5
   */
  near: string;
  /**
   * a percentage as a decimal string, such as 21 or 5.5
   */
  far: string;
  /**
   * a percentage as a decimal string, such as 21 or 5.5
   */
  spread: string;
  /**
   * what a second reward costs per order that gets it, minor units of the market's currency
   */
  secondReward: number;
  lost?: AssumedShare;
  won?: AssumedShare;
  /**
   * option id → what delivering an order by it costs the shop, minor units of the market's currency; what shoppers pay when absent
   */
  ownCost?: {
    [k: string]: number;
  };
}
/**
 * in percent, what is likely, and between which ends it may be: of orders that lose free delivery those that stay away (lost), for every hundred that gain it how many more come (won); none when absent
 */
export interface AssumedShare {
  likely: DecimalPercent;
  low: DecimalPercent;
  high: DecimalPercent;
}
export interface PlaceTextNotes {
  everyPlace?: {
    [k: string]: TextNote;
  };
  strip?: {
    [k: string]: TextNote;
  };
  product?: {
    [k: string]: TextNote;
  };
  miniCart?: {
    [k: string]: TextNote;
  };
  cart?: {
    [k: string]: TextNote;
  };
  checkout?: {
    [k: string]: TextNote;
  };
}
export interface TextNote {
  /**
   * what has been typed and cannot be shown to shoppers: what stands in wording stays
   */
  unfinished?: string;
  /**
   * the text of the source language when this one was written
   */
  madeFrom?: string;
}
/**
 * how the shop draws strip and bar; all of it as built in when absent
 */
export interface Look {
  /**
   * filled with the ground; ruled above and below on paper; a label as wide as its text
   */
  style: 'filled' | 'ruled' | 'label';
  colours: {
    ground: HexColour;
    ink: HexColour;
    bar: HexColour;
  };
  position: 'top' | 'bottom';
  /**
   * whether a shopper can close the strip
   */
  closable: boolean;
  /**
   * counts down to the end of the offer that leads when it is at most so many days away; never when absent
   */
  countdownWithin?: number;
  /**
   * places in which nothing is shown
   */
  silentIn?: {
    strip?: true;
    product?: true;
    miniCart?: true;
    cart?: true;
    checkout?: true;
  };
}
