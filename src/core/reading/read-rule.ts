import { roundestIn, type Gap } from './gap.ts';
import { readSteps, type ReadStep } from './read-steps.ts';
import { along, sortedPlaces } from './sorted-places.ts';

/** What prices may depend on; `none`: they are the same for all. */
export type PriceMeasure = 'none' | 'value' | 'weight' | 'items';

/** What is known of orders, by place. */
export interface Measured {
  /** minor units; −1 not known */
  delivery: ArrayLike<number>;
  value: ArrayLike<number>;
  /** grams; null or above `mostKnown`: not known */
  weight: ArrayLike<number> | null;
  /** pieces, 0 not known */
  items: ArrayLike<number>;
}

/** What delivery by an option costs, as orders say. */
export interface ReadRule {
  measure: PriceMeasure;
  /** of one measure, or of none a single one */
  steps: ReadStep[];
  /** goods from which delivery is free; null: from none */
  free: { from: number; gap: Gap | null } | null;
  orders: number;
  /** orders that pay just that */
  explained: number;
}

/** Orders of which one measure is not known say nothing of it: where these are more than so many, it is none that prices depend on. */
const mostUnknown = 0.02;
const measures = ['value', 'weight', 'items'] as const;

/** How many orders an edge has to explain: more where more might look like one by chance. */
export const penaltyFor = (orders: number): number => 4 + Math.log(1 + orders);

/**
 * Reads the rule that explains most orders of an option: from which value on delivery is free, and below it the price as a function
 * of one measure that is constant between edges. Of two measures that explain as much that with fewer edges is taken.
 *
 * @param places of orders whose delivery is known
 */
export function readRule(measured: Measured, places: Uint32Array): ReadRule {
  const penalty = penaltyFor(places.length);
  const byValue = sortedPlaces(places, measured.value);
  const free = freeFrom(measured, byValue, penalty);
  const below = free ? byValue.subarray(0, free.begin) : byValue;
  const best = below.length === 0 ? { measure: 'none' as const, steps: [] } : bestSteps(measured, below, penalty);
  const rule = {
    ...best,
    free: free && { from: free.from, gap: free.gap },
    orders: places.length,
    explained: 0,
  };
  let explained = 0;
  for (let i = 0; i < places.length; i++) if (pays(rule, measured, places[i]!)) explained++;
  return { ...rule, explained };
}

interface Found {
  measure: PriceMeasure;
  steps: ReadStep[];
}

function bestSteps(measured: Measured, places: Uint32Array, penalty: number): Found {
  let best: (Found & { cost: number }) | null = null;
  for (const measure of measures) {
    const of = measured[measure];
    if (!of || (measure !== 'value' && !isKnown(measure, of, places))) continue;
    const sorted = measure === 'value' ? places : sortedPlaces(places, of);
    const steps = readSteps(along(sorted, of), along(sorted, measured.delivery), penalty);
    const cost =
      places.length - steps.reduce((sum, { explained }) => sum + explained, 0) + penalty * (steps.length - 1);
    const found = { measure: steps.length === 1 ? ('none' as const) : measure, steps, cost };
    if (!best || cost < best.cost) best = found;
  }
  return { measure: best!.measure, steps: best!.steps };
}

/** grams above that are not known */
const mostKnown = 0xfffffffe;

function isKnown(measure: 'weight' | 'items', of: ArrayLike<number>, places: Uint32Array): boolean {
  let unknown = 0;
  for (let i = 0; i < places.length; i++) {
    const amount = of[places[i]!]!;
    if (measure === 'weight' ? amount > mostKnown : amount === 0) unknown++;
  }
  return unknown <= mostUnknown * places.length;
}

/**
 * From which value on most orders pay nothing, while below it most pay: where an edge between the two explains more than none.
 * @returns where those begin
 */
function freeFrom(
  { delivery, value }: Measured,
  byValue: Uint32Array,
  penalty: number,
): { from: number; gap: Gap | null; begin: number } | null {
  const count = byValue.length;
  let free = 0;
  for (let i = 0; i < count; i++) if (delivery[byValue[i]!] === 0) free++;
  // Wrong are those that pay from the edge on and those that do not below it; without an edge, all that are fewer.
  const without = Math.min(free, count - free);
  // By edge: where it begins, and how many are wrong. They lie where the value changes.
  const begins = new Uint32Array(count + 1);
  const wrongs = new Uint32Array(count + 1);
  wrongs[0] = count - free;
  let edges = 1;
  let at = 0;
  let wrong = count - free;
  for (let i = 0; i < count; i++) {
    wrong += delivery[byValue[i]!] === 0 ? 1 : -1;
    if (i + 1 < count && value[byValue[i + 1]!] === value[byValue[i]!]) continue;
    begins[edges] = i + 1;
    wrongs[edges] = wrong;
    if (wrong < wrongs[at]!) at = edges;
    edges++;
  }
  const least = wrongs[at]!;
  const begun = begins[at]!;
  if (begun === 0) return free > 0 && least * 2 < count ? { from: 0, gap: null, begin: 0 } : null;
  if (begun === count || least + penalty > without) return null;
  const gapBetween = (low: number, high: number): Gap => ({
    after: value[byValue[begins[low]! - 1]!]!,
    until: value[byValue[begins[high]!]!]!,
  });
  if (least === 0) {
    const gap = gapBetween(at, at);
    return { from: roundestIn(gap), gap, begin: begun };
  }
  // Where some pay otherwise anyhow, edges that explain nearly as many are as likely: the roundest among them is taken.
  const most = least + Math.sqrt(least) / 2;
  let low = at;
  let high = at;
  while (low > 1 && wrongs[low - 1]! <= most) low--;
  while (high < edges - 2 && wrongs[high + 1]! <= most) high++;
  const gap = gapBetween(low, high);
  const from = roundestIn(gap);
  let edge = low;
  while (value[byValue[begins[edge]!]!]! < from) edge++;
  return { from, gap, begin: begins[edge]! };
}

/** What an order would pay under a rule; null: the measure that its price depends on is not known of it. */
export function priceUnder(
  rule: Pick<ReadRule, 'measure' | 'steps' | 'free'>,
  measured: Measured,
  place: number,
): number | null {
  const { measure, steps, free } = rule;
  if (free && measured.value[place]! >= free.from) return 0;
  if (steps.length === 0) return null;
  if (measure === 'none') return steps[0]!.price;
  const amount = measured[measure]![place]!;
  let price = steps[0]!.price;
  for (const step of steps) {
    if (step.from > amount) break;
    ({ price } = step);
  }
  return price;
}

export const pays = (rule: Pick<ReadRule, 'measure' | 'steps' | 'free'>, measured: Measured, place: number): boolean =>
  priceUnder(rule, measured, place) === measured.delivery[place];

/** Whether two rules say the same, as far as orders tell: the same prices, and edges whose gaps overlap. */
export function sameRule(one: ReadRule, other: ReadRule): boolean {
  return (
    one.measure === other.measure &&
    one.steps.length === other.steps.length &&
    (one.free === null) === (other.free === null) &&
    (!one.free || overlap(one.free.gap, other.free!.gap)) &&
    one.steps.every((step, i) => step.price === other.steps[i]!.price && overlap(step.gap, other.steps[i]!.gap))
  );
}

function overlap(one: Gap | null, other: Gap | null): boolean {
  if (!one || !other) return one === other;
  return one.after < other.until && other.after < one.until;
}
