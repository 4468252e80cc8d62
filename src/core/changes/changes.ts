import { readOut } from '../conditions/read-out.ts';
import { stepsInWords, valueInWords, type Json } from './change-words.ts';
import { differingKeys } from '../policy/patch.ts';
import type { Condition, Policy } from '../policy/types.ts';

/** The stop of the trail where a change was made and can be looked at. */
type ChangeStop = 'markets' | 'delivery' | 'offers' | 'wording' | 'results' | 'store';

/** One difference that reaches shoppers, in words. `path` is a JSON Pointer. */
export interface PolicyChange {
  path: string;
  stop: ChangeStop;
  /** what changed, such as “Free delivery, Netherlands & Belgium” */
  subject: string;
  before: string | null;
  after: string | null;
}

/** Collections whose entries come and go as one change. */
const wholes = [
  /^\/(markets|zones|options|offers|notices|experiments|qualifiers|rates|places|calendars)\/[^/]+$/,
  /^\/experiments\/[^/]+\/(outcome|arms\/[^/]+)$/,
  /^\/offers\/[^/]+\/goals\/[^/]+\/(targets|rewards)\/[^/]+$/,
  /\/charge\/lines\/[^/]+$/,
  /\/area\/(include|exclude)\/[^/]+$/,
];

/** A tree of conditions is one value: what it says, read out. */
const conditions = /^\/qualifiers\/[^/]+\/condition$|^\/(options|offers|notices)\/(.*\/)?when$/;

/**
 * Test carts, guarantees, surfaces, made-up shoppers, assumptions, accepted findings and what is noted beside texts are no promise
 * to shoppers, so they are not among the changes of a release.
 */
const unseen = [
  '/testCarts',
  '/guarantees',
  '/surfaces',
  '/surfaceTexts',
  '/shoppers',
  '/assumptions',
  '/accepted',
  '/textNotes',
  '/version',
];

/** What differs for shoppers between two policies, in document order. @param language the reader's, for amounts */
export function policyChanges(from: Policy, to: Policy, language: string): PolicyChange[] {
  const changes: PolicyChange[] = [];
  const visit = (before: Json | undefined, after: Json | undefined, path: string): void => {
    if (unseen.includes(path) || equal(before, after)) return;
    const whole = wholes.some((pattern) => pattern.test(path));
    if (
      isAmount(before) ||
      isAmount(after) ||
      conditions.test(path) ||
      (whole && (before === undefined || after === undefined)) ||
      !isObject(before ?? {}) ||
      !isObject(after ?? {})
    ) {
      changes.push(describe(path, [before, after], from, to, language));
      return;
    }
    const [was, is] = [(before ?? {}) as Record<string, Json>, (after ?? {}) as Record<string, Json>];
    for (const key of differingKeys(was, is))
      visit(was[key], is[key], `${path}/${key.replaceAll('~', '~0').replaceAll('/', '~1')}`);
  };
  visit(from as unknown as Json, to as unknown as Json, '');
  return changes;
}

/** A local amount is one value, however it is written. */
function isAmount(value: Json | undefined): boolean {
  return value !== undefined && value !== null && isObject(value) && ('exact' in value || 'following' in value);
}

function isObject(value: Json): value is { [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function equal(a: Json | undefined, b: Json | undefined): boolean {
  if (a === b) return true;
  if (a === undefined || b === undefined || a === null || b === null || typeof a !== 'object' || typeof b !== 'object')
    return false;
  const keysA = Object.keys(a);
  return (
    keysA.length === Object.keys(b).length &&
    keysA.every((key) => equal((a as Record<string, Json>)[key], (b as Record<string, Json>)[key]))
  );
}

/** A change as it is described: the steps that lead to it, and the two policies it is between. */
interface Described {
  steps: readonly string[];
  from: Policy;
  to: Policy;
}

interface Subject {
  stop: ChangeStop;
  says: string;
  /** in whose terms amounts are told; the market that the way names when absent */
  marketId?: string | undefined;
}

function describe(
  path: string,
  [before, after]: readonly [Json | undefined, Json | undefined],
  from: Policy,
  to: Policy,
  language: string,
): PolicyChange {
  const steps = path
    .slice(1)
    .split('/')
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
  const [collection = '', id = ''] = steps;
  const subject = Object.hasOwn(subjects, collection) ? subjects[collection]! : ofStore;
  const { stop, says, marketId } = subject({ steps, from, to }, id);
  const last = steps.at(-1) ?? '';
  const inMarket = marketId ?? (Object.hasOwn(to.markets, last) || Object.hasOwn(from.markets, last) ? last : null);
  const said = (policy: Policy, value: Json | undefined) =>
    value === undefined ? null : readOut(policy, value as unknown as Condition, marketId);
  const write = (policy: Policy, value: Json | undefined) =>
    conditions.test(path) ? said(policy, value) : valueInWords(value, policy, inMarket, language);
  return { path, stop, subject: says, before: write(from, before), after: write(to, after) };
}

/** What stands in the newer of the two policies, else in the older. */
const lookUp = <T>({ from, to }: Described, pick: (policy: Policy) => T | undefined): T | undefined =>
  pick(to) ?? pick(from);

/** The name of an entry, else its id. */
const nameIn = (
  change: Described,
  id: string,
  collection: (policy: Policy) => Readonly<Record<string, { name: string }>> | undefined,
): string => lookUp(change, (policy) => collection(policy)?.[id])?.name ?? id;

/** The rest of the way, from the entry on. @param depth steps that lead to the entry */
function rest(change: Described, depth: number): string {
  const { steps, to } = change;
  const entry = lookUp(change, (policy) =>
    steps
      .slice(0, depth)
      .reduce<unknown>(
        (here, step) =>
          typeof here === 'object' && here !== null ? (here as Record<string, unknown>)[step] : undefined,
        policy,
      ),
  );
  const way = stepsInWords(steps.slice(depth), entry, to);
  return way.length > 0 ? `, ${way.join(', ')}` : '';
}

const ofStore = (change: Described): Subject => ({ stop: 'store', says: `Store${rest(change, 1)}` });

/** What a change is about, by the collection that it is in. */
const subjects: Readonly<Record<string, (change: Described, id: string) => Subject>> = {
  offers(change, id) {
    const name = lookUp(change, (policy) => policy.offers[id])?.name;
    const targetAt = change.steps.indexOf('targets');
    if (targetAt < 0) return { stop: 'offers', says: `Offer “${name ?? id}”${rest(change, 2)}` };
    const marketId = change.steps[targetAt + 1] ?? '';
    return {
      stop: 'offers',
      says: `Goal of “${name}” in ${nameIn(change, marketId, ({ markets }) => markets)}`,
      marketId,
    };
  },
  wording: (change, id) => ({
    stop: 'wording',
    says: `Wording of “${lookUp(change, (policy) => policy.offers[id] ?? policy.notices?.[id])?.name ?? id}”${rest(change, 2)}`,
  }),
  notices: (change, id) => ({
    stop: 'wording',
    says: `Notice “${nameIn(change, id, ({ notices }) => notices)}”${rest(change, 2)}`,
  }),
  experiments: (change, id) => ({
    stop: 'results',
    says: `Experiment “${nameIn(change, id, ({ experiments }) => experiments)}”${rest(change, 2)}`,
    marketId: lookUp(change, (policy) => policy.experiments?.[id])?.market,
  }),
  look: (change) => ({ stop: 'wording', says: `Look of strip and bar${rest(change, 1)}` }),
  options(change, id) {
    const option = lookUp(change, (policy) => policy.options[id]);
    return {
      stop: 'delivery',
      says: `Delivery option “${option?.name ?? id}”${rest(change, 2)}`,
      marketId: lookUp(change, (policy) => policy.zones[option?.zone ?? '']?.market),
    };
  },
  qualifiers: (change, id) => ({
    stop: 'offers',
    says: `Condition “${nameIn(change, id, ({ qualifiers }) => qualifiers)}”${rest(change, 2)}`,
  }),
  rates: (change, id) => ({
    stop: 'markets',
    says: `Adopted rate of ${id}${change.steps.at(-1) === 'rate' ? '' : rest(change, 2)}`,
  }),
  markets: (change, id) => ({
    stop: 'markets',
    says: `Market “${nameIn(change, id, ({ markets }) => markets)}”${rest(change, 2)}`,
  }),
  places: (change, id) => ({
    stop: 'delivery',
    says: `Pick-up place “${nameIn(change, id, ({ places }) => places)}”${rest(change, 2)}`,
  }),
  calendars: (change, id) => ({
    stop: 'delivery',
    says: `Calendar “${nameIn(change, id, ({ calendars }) => calendars)}”${rest(change, 2)}`,
  }),
  zones: (change, id) => ({
    stop: 'markets',
    says: `Zone “${nameIn(change, id, ({ zones }) => zones)}”${rest(change, 2)}`,
  }),
};
