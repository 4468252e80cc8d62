import { catalogueOf } from '../../core/catalogue/product.ts';
import { checkUpInTurns } from '../../core/check-up/check-up.ts';
import { compilePolicy } from '../../core/evaluation/compile.ts';
import type { Policy } from '../../core/policy/types.ts';
import { listProducts } from '../products/product-store.ts';

/** Quotes are answered between one kind of finding and the next. */
const turn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** What the check-up calls wrong in a policy and nobody has accepted, as sentences. */
export async function wrongIn(policy: Policy): Promise<string[]> {
  const catalogue = catalogueOf(await listProducts());
  const examined = { compiled: compilePolicy(policy), catalogue, now: Date.now(), locale: 'en-GB' };
  const { findings } = await checkUpInTurns(examined, turn);
  return findings
    .filter(({ severity, accepted }) => severity === 'wrong' && accepted === null)
    .map(({ sentence }) => sentence);
}
