import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { CompiledExperiments, type EndedEarly } from '../../core/experiments/compile-experiments.ts';
import { checkedPolicy } from '../policy/stored-policy.ts';
import { readRelease } from '../releases/release-store.ts';
import { currentState } from './current-state.ts';

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
export async function compiledRelease(number: number): Promise<CompiledRelease | null> {
  const known = kept.get(number) ?? (await read(number));
  if (!known) return null;
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

/** The release the shop uses, compiled. Null: none yet. */
export async function currentPolicy(): Promise<CurrentPolicy | null> {
  const { release, catalogue, ended } = await currentState();
  const current = release === null ? null : await compiledRelease(release);
  return current && { ...current, catalogue, ended };
}
