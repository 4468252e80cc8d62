import { readOut } from '../conditions/read-out.ts';
import { stepsInWords, valueInWords, type Json } from './change-words.ts';
import { differingKeys } from '../policy/patch.ts';
import type { Condition, DeliveryOption, Offer, Policy } from '../policy/types.ts';

/** The stop of the trail where a change was made and can be looked at. */
type ChangeStop = 'markets' | 'delivery' | 'offers' | 'wording' | 'store';

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
  /^\/(markets|zones|options|offers|qualifiers|rates|places|calendars)\/[^/]+$/,
  /^\/offers\/[^/]+\/goals\/[^/]+\/(targets|rewards)\/[^/]+$/,
  /\/charge\/lines\/[^/]+$/,
  /\/area\/(include|exclude)\/[^/]+$/,
];

/** A tree of conditions is one value: what it says, read out. */
const conditions = /^\/qualifiers\/[^/]+\/condition$|^\/(options|offers)\/(.*\/)?when$/;

/** Test carts, made-up shoppers, assumptions and what is noted beside texts are no promise to shoppers, so they are not among the changes of a release. */
const unseen = ['/testCarts', '/shoppers', '/assumptions', '/textNotes', '/version'];

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
      changes.push(describe(path, before, after, from, to, language));
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

function describe(
  path: string,
  before: Json | undefined,
  after: Json | undefined,
  from: Policy,
  to: Policy,
  language: string,
): PolicyChange {
  const steps = path
    .slice(1)
    .split('/')
    .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
  const lookUp = <T>(pick: (policy: Policy) => T | undefined): T | undefined => pick(to) ?? pick(from);
  const [collection, id = ''] = steps;
  const last = steps.at(-1) ?? '';
  const change = (place: ChangeStop, subject: string, marketId?: string): PolicyChange => {
    const inMarket = marketId ?? (Object.hasOwn(to.markets, last) || Object.hasOwn(from.markets, last) ? last : null);
    const said = (policy: Policy, value: Json | undefined) =>
      value === undefined ? null : readOut(policy, value as unknown as Condition, marketId);
    const write = (policy: Policy, value: Json | undefined) =>
      conditions.test(path) ? said(policy, value) : valueInWords(value, policy, inMarket, language);
    return { path, stop: place, subject, before: write(from, before), after: write(to, after) };
  };
  /** the rest of the way, from the entry on */
  const rest = (depth: number): string => {
    const entry = lookUp((policy) =>
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
  };

  switch (collection) {
    case 'offers': {
      const offer = lookUp<Offer>((policy) => policy.offers[id]);
      const targetAt = steps.indexOf('targets');
      if (targetAt > 0) {
        const marketId = steps[targetAt + 1] ?? '';
        return change(
          'offers',
          `Goal of “${offer?.name}” in ${lookUp((policy) => policy.markets[marketId])?.name ?? marketId}`,
          marketId,
        );
      }
      return change('offers', `Offer “${offer?.name ?? id}”${rest(2)}`);
    }
    case 'wording': {
      const offer = lookUp<Offer>((policy) => policy.offers[id]);
      return change('wording', `Wording of “${offer?.name ?? id}”${rest(2)}`);
    }
    case 'look':
      return change('wording', `Look of strip and bar${rest(1)}`);
    case 'options': {
      const option = lookUp<DeliveryOption>((policy) => policy.options[id]);
      const marketId = lookUp((policy) => policy.zones[option?.zone ?? '']?.market);
      return change('delivery', `Delivery option “${option?.name ?? id}”${rest(2)}`, marketId);
    }
    case 'qualifiers':
      return change('offers', `Condition “${lookUp((policy) => policy.qualifiers[id])?.name ?? id}”${rest(2)}`);
    case 'rates':
      return change('markets', `Adopted rate of ${id}${last === 'rate' ? '' : rest(2)}`);
    case 'markets':
      return change('markets', `Market “${lookUp((policy) => policy.markets[id])?.name ?? id}”${rest(2)}`);
    case 'places':
      return change('delivery', `Pick-up place “${lookUp((policy) => policy.places?.[id])?.name ?? id}”${rest(2)}`);
    case 'calendars':
      return change('delivery', `Calendar “${lookUp((policy) => policy.calendars?.[id])?.name ?? id}”${rest(2)}`);
    case 'zones':
      return change('markets', `Zone “${lookUp((policy) => policy.zones[id])?.name ?? id}”${rest(2)}`);
    default:
      return change('store', `Store${rest(1)}`);
  }
}
