import type { Policy } from '../../core/policy/types.ts';

/** What has become of a policy, so that only that travels: whole members, and single entries of collections. */
export interface PolicyDelta {
  members: Record<string, unknown>;
  /** collection → id → entry */
  entries: Record<string, Record<string, unknown>>;
  /** collection → ids taken out */
  gone: Record<string, string[]>;
}

type Members = Record<string, unknown>;

const isCollection = (value: unknown): value is Members =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** @param before null: all of it */
export function deltaOf(before: Policy | null, after: Policy): PolicyDelta {
  const delta: PolicyDelta = { members: {}, entries: {}, gone: {} };
  const [was, now] = [(before ?? {}) as unknown as Members, after as unknown as Members];
  for (const key of Object.keys(was)) if (!Object.hasOwn(now, key)) delta.members[key] = undefined;
  for (const [key, value] of Object.entries(now)) {
    const old = was[key];
    if (old === value) continue;
    if (!isCollection(old) || !isCollection(value)) {
      delta.members[key] = value;
      continue;
    }
    delta.entries[key] = Object.fromEntries(Object.entries(value).filter(([id, entry]) => old[id] !== entry));
    delta.gone[key] = Object.keys(old).filter((id) => !Object.hasOwn(value, id));
  }
  return delta;
}

/** The policy with what has become of it; whatever has not changed stays the same object. */
export function withDelta(before: Policy | null, { members, entries, gone }: PolicyDelta): Policy {
  const policy: Members = { ...(before as unknown as Members | null), ...members };
  for (const [key, value] of Object.entries(members)) if (value === undefined) delete policy[key];
  for (const [key, changed] of Object.entries(entries)) {
    const left = new Set(gone[key]);
    const kept = Object.entries(policy[key] as Members).filter(([id]) => !left.has(id));
    policy[key] = { ...Object.fromEntries(kept), ...changed };
  }
  return policy as unknown as Policy;
}
