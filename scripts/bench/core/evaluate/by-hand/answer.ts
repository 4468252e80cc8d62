/** What both the engine and the hand-written function are asked for. Minor units. */
export interface Answer {
  market: string | null;
  zone: string | null;
  options: {
    id: string;
    before: number;
    after: number;
    tax: number;
    leaves: string | number;
    earliest: string | number;
    latest: string | number;
  }[];
  offers: {
    id: string;
    status: string;
    goals: { counted: number; remaining: number | null; percent: number; reached: boolean }[];
  }[];
  lead: { offer: string; state: string } | null;
  gifts: { product: string; quantity: number }[];
  preselected: string | null;
  totals: { goods: number; goodsReward: number; delivery: number; tax: number; toPay: number } | null;
}

/** A price in its two parts. */
export interface Price {
  id: string;
  kind: 'parcel' | 'local' | 'pickUp';
  base: number;
  own: number;
}

/** One offer as the hand-written function works it out. */
export interface Offer {
  id: string;
  status: string;
  goals: { counted: number; remaining: number | null; percent: number; reached: boolean }[];
  /** what its first so many goals make of a price; null: not for this option */
  price: (option: Price, goals: number) => { base: number; own: number } | null;
  combines: boolean;
  /** whether its first so many goals make an option free; null where they never do */
  free: ((option: Price, goals: number) => boolean) | null;
  /** pieces instead of amounts */
  pieces: boolean;
  /** there are texts of it */
  speaks: boolean;
  nearly: number;
}
