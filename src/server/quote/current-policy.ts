import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { CompiledExperiments, type EndedEarly } from '../../core/experiments/compile-experiments.ts';
import { checkedPolicy } from '../policy/stored-policy.ts';
import { readRelease } from '../releases/release-store.ts';
import { andThen, type Soon } from '../soon.ts';
import { currentState, type QuotedState } from '../current-state.ts';

/** A release, ready to be computed with. */
export interface CompiledRelease {
  release: number;
  compiled: CompiledPolicy;
  /** ids of the offers that have limits */
  limited: ReadonlySet<string>;
  experiments: CompiledExperiments;
}

export interface CurrentPolicy extends CompiledRelease {
  /** revision of the catalogue, see `productsNamed` */
  catalogue: number;
  /** experiments that ended by themselves */
  ended: EndedEarly;
}

/** Releases that are kept compiled: the current one, and those under which orders that are reported were placed. */
const mostKept = 6;
const kept = new Map<number, CompiledRelease>();

/** A release, compiled; it is read only where it has not been used for long. Null: there is none of that number. */
export function compiledRelease(number: number): Soon<CompiledRelease | null> {
  const known = kept.get(number);
  return known ? keep(known) : read(number).then((release) => release && keep(release));
}

function keep(known: CompiledRelease): CompiledRelease {
  const { release: number } = known;
  // The one that has not been asked for for longest stands first.
  kept.delete(number);
  kept.set(number, known);
  for (const old of kept.keys()) if (kept.size > mostKept) kept.delete(old);
  return known;
}

async function read(number: number): Promise<CompiledRelease | null> {
  const release = await readRelease(number);
  if (!release) return null;
  const compiled = compilePolicy(checkedPolicy(release.policy, number));
  const limited = Object.entries(compiled.policy.offers).flatMap(([id, { limits }]) => (limits ? [id] : []));
  return { release: number, compiled, limited: new Set(limited), experiments: new CompiledExperiments(compiled) };
}

/** As it was last put together; of the same state it is the same. */
let current: { state: QuotedState; policy: CurrentPolicy | null } | null = null;

/** The release the shop uses, compiled. Null: none yet. */
export const currentPolicy = (): Soon<CurrentPolicy | null> => andThen(currentState(), policyIn);

function policyIn(state: QuotedState): Soon<CurrentPolicy | null> {
  if (current?.state === state) return current.policy;
  const { release, catalogue, ended } = state;
  return andThen(release === null ? null : compiledRelease(release), (known) => {
    const policy = known && { ...known, catalogue, ended };
    current = { state, policy };
    return policy;
  });
}
