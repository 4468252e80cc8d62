import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { checkedPolicy } from '../policy/stored-policy.ts';
import { readRelease } from '../releases/release-store.ts';
import { currentState } from './current-state.ts';

export interface CurrentPolicy {
  release: number;
  compiled: CompiledPolicy;
  /** revision of the catalogue, see `productsNamed` */
  catalogue: number;
}

let cached: Omit<CurrentPolicy, 'catalogue'> | null = null;

/** The release the shop uses, compiled. It is read only when it has changed. Null: none yet. */
export async function currentPolicy(): Promise<CurrentPolicy | null> {
  const { release: number, catalogue } = await currentState();
  if (number === null) return null;
  if (cached?.release !== number) {
    const release = await readRelease(number);
    if (!release) return null;
    cached = { release: number, compiled: compilePolicy(checkedPolicy(release.policy, number)) };
  }
  return { ...cached, catalogue };
}
