/** What both the engine and the hand-written function are asked for. Minor units. */
export interface Answer {
  market: string | null;
  zone: string | null;
  options: { id: string; before: number; after: number; tax: number; leaves: string | number; earliest: string | number; latest: string | number }[];
  offers: { id: string; status: string; goals: { counted: number; remaining: number | null; percent: number; reached: boolean }[] }[];
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
  /** what its reached goals make of a price; null: not for this option */
  price: (option: Price) => { base: number; own: number } | null;
  combines: boolean;
  /** option ids its next or last goal is about; null: about goods too */
  about: (option: Price) => boolean;
  givesOther: boolean;
  nearly: number;
}
