// Generated from schema/policy.schema.json by `npm run types`. Do not edit.

export type Name = string;
/**
 * ISO 4217 code
 */
export type Currency = string;
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
      kind: 'postcode';
      country: Country;
      /**
       * exact (1799 ZA), with * and ? (17*), or an inclusive range (1000..1999)
       */
      pattern: string;
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
export type OptionKind = 'parcel' | 'localDelivery' | 'pickUp';
/**
 * An amount in the currency of the market it belongs to: exact, or following an amount in the store's base currency.
 */
export type LocalAmount = ExactAmount | FollowingAmount;
/**
 * pieces, lines, grams, cm³, mm, grams
 */
export type CountMeasure = 'items' | 'lines' | 'weight' | 'volume' | 'longestSide' | 'chargeableWeight';
export type Count = number;
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
  | FollowingAmount;

/**
 * Everything a store promises about delivery: markets, zones, options, offers and their wording. Collections are objects keyed by a stable id; `order` decides the sequence shown.
 */
export interface Policy {
  version: 1;
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
   * Named conditions. Empty until conditions exist.
   */
  qualifiers: {};
  offers: {
    [k: string]: Offer;
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
}
export interface Store {
  name: Name;
  baseCurrency: Currency;
  /**
   * IANA zone
   */
  timeZone: string;
  origin: {
    country: Country;
    postcode: Postcode;
  };
}
export interface Market {
  order: Order;
  name: Name;
  /**
   * @minItems 1
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
    prices: 'withTax';
    /**
     * tax rate on delivery, in percent
     */
    delivery: string;
  };
  /**
   * the smallest step of prices paid in cash there, such as 5 for 0.05; minor units
   */
  cashIncrement?: number;
  /**
   * the option chosen for the shopper at first
   */
  preselect: 'first' | 'cheapest';
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
  label: Texts;
  /**
   * working days
   */
  estimate: {
    min: number;
    max: number;
  };
  charge: Charge;
}
/**
 * language → text
 */
export interface Texts {
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
}
export interface ChargeLine {
  order: Order;
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
  price: {
    fixed: LocalAmount;
    /**
     * added for what the measure exceeds the range's start by
     */
    perUnit?: {
      measure: CountMeasure;
      amount: LocalAmount;
      /**
       * units the amount is for, such as 1000 for each kilogram
       */
      per: number;
      /**
       * every started unit counts whole; otherwise in proportion
       */
      started: boolean;
    };
    min?: LocalAmount;
    max?: LocalAmount;
  };
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
     * added before rounding, in percent
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
export interface Offer {
  order: Order;
  name: Name;
  note: string;
  on: boolean;
  /**
   * higher comes first
   */
  priority: number;
  /**
   * one goal an offer, for now
   */
  goals: {
    [k: string]: Goal;
  };
}
export interface Goal {
  order: Order;
  measure: {
    kind: 'countedValue';
    /**
     * goods value after discounts, as shown with tax
     */
    basis: 'afterDiscountsWithTax';
  };
  /**
   * market id → amount; a market that is absent does not have the offer
   */
  targets: {
    [k: string]: Target;
  };
  rewards: {
    [k: string]: Reward;
  };
}
export interface Reward {
  order: Order;
  kind: 'deliveryFree';
  /**
   * the options it applies to
   */
  on:
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
        by: 'list';
        /**
         * option id → true
         */
        options: {
          [k: string]: true;
        };
      };
  /**
   * whether what goods with an own delivery price add is waived too
   */
  coversOwnDelivery: boolean;
}
export interface OfferWording {
  progress?: PlaceTexts;
  reached?: PlaceTexts;
}
/**
 * a place without its own text takes that of everyPlace
 */
export interface PlaceTexts {
  everyPlace?: Texts;
  strip?: Texts;
  product?: Texts;
  miniCart?: Texts;
  cart?: Texts;
  checkout?: Texts;
}
export interface TestCart {
  order: Order;
  name: Name;
  pinned: boolean;
  language: Language;
  destination: {
    country: Country;
    region?: Region;
    postcode: Postcode;
    coordinates?: Coordinates;
  };
  /**
   * product id → quantity and position
   */
  lines: {
    [k: string]: CartLine;
  };
}
export interface CartLine {
  order: Order;
  quantity: number;
}
