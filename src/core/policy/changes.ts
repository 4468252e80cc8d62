import { formatMoney } from '../money/format.ts';
import type { DeliveryOption, Offer, Policy } from './types.ts';

/** The stop of the trail where a change was made and can be looked at. */
export type ChangePlace = 'markets' | 'delivery' | 'offers' | 'wording' | 'store';

/** One difference that reaches shoppers, in words. `path` is a JSON Pointer. */
export interface PolicyChange {
  path: string;
  place: ChangePlace;
  /** what changed, such as “Free delivery, Netherlands & Belgium” */
  subject: string;
  before: string | null;
  after: string | null;
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Collections whose entries come and go as one change. */
const wholes = [/^\/(markets|zones|options|offers|qualifiers)\/[^/]+$/, /^\/offers\/[^/]+\/goals\/[^/]+\/(targets|rewards)\/[^/]+$/, /\/charge\/lines\/[^/]+$/, /\/area\/include\/[^/]+$/];

/** Test carts are no promise to shoppers, so they are not among the changes of a release. */
const unseen = ['/testCarts', '/version'];

/** What differs for shoppers between two policies, in document order. @param language the reader's, for amounts */
export function policyChanges(from: Policy, to: Policy, language: string): PolicyChange[] {
  const changes: PolicyChange[] = [];
  const visit = (before: Json | undefined, after: Json | undefined, path: string): void => {
    if (unseen.includes(path) || equal(before, after)) return;
    const whole = wholes.some((pattern) => pattern.test(path));
    if ((whole && (before === undefined || after === undefined)) || !isObject(before ?? {}) || !isObject(after ?? {})) {
      changes.push(describe(path, before, after, from, to, language));
      return;
    }
    const keys = new Set([...Object.keys((before as object | undefined) ?? {}), ...Object.keys((after as object | undefined) ?? {})]);
    for (const key of keys) {
      const step = key.replaceAll('~', '~0').replaceAll('/', '~1');
      visit((before as Record<string, Json> | undefined)?.[key], (after as Record<string, Json> | undefined)?.[key], `${path}/${step}`);
    }
  };
  visit(from as unknown as Json, to as unknown as Json, '');
  return changes;
}

function isObject(value: Json): value is { [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function equal(a: Json | undefined, b: Json | undefined): boolean {
  if (a === b) return true;
  if (a === undefined || b === undefined || a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return false;
  const keysA = Object.keys(a);
  return keysA.length === Object.keys(b).length && keysA.every((key) => equal((a as Record<string, Json>)[key], (b as Record<string, Json>)[key]));
}

function describe(path: string, before: Json | undefined, after: Json | undefined, from: Policy, to: Policy, language: string): PolicyChange {
  const steps = path.slice(1).split('/').map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));
  const lookUp = <T>(pick: (policy: Policy) => T | undefined): T | undefined => pick(to) ?? pick(from);
  const [collection, id = ''] = steps;
  const plain = (value: Json | undefined): string | null => (value === undefined || value === null ? null : isObject(value) ? nameOf(value) : typeof value === 'boolean' ? (value ? 'on' : 'off') : String(value));
  const amounts = (currency: string | undefined) => (value: Json | undefined): string | null => {
    const minor = typeof value === 'number' ? value : value && isObject(value) && typeof value.exact === 'number' ? value.exact : null;
    return minor === null || !currency ? plain(value) : formatMoney(minor, currency, language);
  };
  const change = (place: ChangePlace, subject: string, write: (value: Json | undefined) => string | null = plain): PolicyChange => ({ path, place, subject, before: write(before), after: write(after) });

  switch (collection) {
    case 'offers': {
      const offer = lookUp<Offer>((policy) => policy.offers[id]);
      const targetAt = steps.indexOf('targets');
      if (targetAt > 0) {
        const market = lookUp((policy) => policy.markets[steps[targetAt + 1] ?? '']);
        return change('offers', `Goal of “${offer?.name}” in ${market?.name ?? steps[targetAt + 1]}`, amounts(market?.currency));
      }
      return change('offers', `Offer “${offer?.name ?? id}”${rest(steps.slice(2))}`);
    }
    case 'wording': {
      const offer = lookUp<Offer>((policy) => policy.offers[id]);
      return change('wording', `Wording of “${offer?.name ?? id}”${rest(steps.slice(2))}`);
    }
    case 'options': {
      const option = lookUp<DeliveryOption>((policy) => policy.options[id]);
      const currency = lookUp((policy) => policy.markets[policy.zones[option?.zone ?? '']?.market ?? '']?.currency);
      const isMoney = steps.at(-1) === 'exact' || steps.at(-1) === 'to';
      return change('delivery', `Delivery option “${option?.name ?? id}”${rest(steps.slice(2).filter((step) => step !== 'exact'))}`, isMoney ? amounts(currency) : plain);
    }
    case 'markets':
      return change('markets', `Market “${lookUp((policy) => policy.markets[id])?.name ?? id}”${rest(steps.slice(2))}`);
    case 'zones':
      return change('delivery', `Zone “${lookUp((policy) => policy.zones[id])?.name ?? id}”${rest(steps.slice(2))}`);
    default:
      return change('store', `Store${rest(steps.slice(1))}`);
  }
}

/** Path steps as readers know them: camelCase parted into words. */
function rest(steps: string[]): string {
  if (steps.length === 0) return '';
  return `, ${steps.map((step) => (/^[a-z]+[A-Z]/.test(step) ? step.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`) : step)).join(' · ')}`;
}

function nameOf(value: { [key: string]: Json }): string {
  return typeof value.name === 'string' ? value.name : 'set';
}
