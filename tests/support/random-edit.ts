import { checkPolicy } from '../../src/core/checks/validate.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { isRecord } from '../../src/core/same.ts';
import { seeded } from './from-schema.ts';

type Path = readonly (string | number)[];

/** A way into a policy, of any length, each step as likely as its siblings: rare parts are come to as often as frequent ones. */
function wayInto(policy: Policy, random: () => number): Path {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const path: (string | number)[] = [];
  let here: unknown = policy;
  while (isRecord(here) || Array.isArray(here)) {
    const keys: (string | number)[] = Array.isArray(here) ? [...here.keys()] : Object.keys(here);
    const open = path.length > 0 ? keys : keys.filter((key) => key !== 'testCarts' && key !== 'version');
    if (open.length === 0 || (path.length > 1 && random() < 0.2)) break;
    const key = pick(open);
    path.push(key);
    here = (here as Record<string, unknown>)[key];
  }
  return path;
}

/** A value of the same kind, near enough to be valid often. */
function another(value: unknown, dice: number): unknown {
  if (typeof value === 'boolean') return !value;
  if (typeof value === 'number') return [0, value + 1, Math.floor(value / 2), value * 2, value + 1000][dice % 5];
  if (typeof value === 'string' && /^\d+(\.\d+)?$/.test(value)) return ['0', '5', '12.5', '50', '100'][dice % 5];
  if (Array.isArray(value)) return value.slice(1);
  return undefined;
}

/** Changed along a path only; what is beside it stays the very same objects. Undefined: taken out. */
function withAt(value: unknown, [key, ...rest]: Path, change: (part: unknown) => unknown): unknown {
  if (key === undefined) return change(value);
  if (Array.isArray(value)) return value.map((part, index) => (index === key ? withAt(part, rest, change) : part));
  const { [key]: part, ...others } = value as Record<string, unknown>;
  const next = withAt(part, rest, change);
  return next === undefined ? others : { ...(value as Record<string, unknown>), [key]: next };
}

/**
 * A policy with one thing changed, taken out or made like its sibling, as few objects as possible being new; the same policy
 * where that would not be valid.
 */
export function randomlyEdited(policy: Policy, seed: number): Policy {
  const random = seeded(seed);
  const path = wayInto(policy, random);
  const at = (steps: Path) => steps.reduce<unknown>((part, key) => (part as Record<string, unknown>)[key], policy);
  const dice = Math.floor(random() * 5);
  const change = (value: unknown): unknown => {
    if (!isRecord(value) && random() < 0.8) return another(value, dice);
    const siblings = Object.values(at(path.slice(0, -1)) as object).filter((other) => typeof other === typeof value);
    return random() < 0.5 ? undefined : siblings[Math.floor(random() * siblings.length)];
  };
  const next = withAt(policy, path, change) as Policy;
  return checkPolicy(next).ok ? next : policy;
}
