import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { checkedPolicy } from '../policy/stored-policy.ts';
import { currentReleaseNumber, readRelease } from '../releases/release-store.ts';

export interface CurrentPolicy {
  release: number;
  compiled: CompiledPolicy;
}

let cached: CurrentPolicy | null = null;

/** The release the shop uses, compiled. Only the number is asked for when it has not changed. Null: none yet. */
export async function currentPolicy(): Promise<CurrentPolicy | null> {
  const number = await currentReleaseNumber();
  if (number === null) return null;
  if (cached?.release === number) return cached;
  const release = await readRelease(number);
  if (!release) return null;
  cached = { release: number, compiled: compilePolicy(checkedPolicy(release.policy, number)) };
  return cached;
}
