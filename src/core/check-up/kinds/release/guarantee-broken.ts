import { verdictInSteps, type BrokenIn } from '../../../guarantees/broken.ts';
import { lastOf } from '../../../in-steps.ts';
import { inOrder } from '../../../ordered.ts';
import type { Guarantee } from '../../../policy/types.ts';
import type { Found, Unexamined } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';
import { brokenWhere, seenBroken } from './broken-cart.ts';

/** A guarantee that does not hold: it stops a release until it does, or is changed. */
export const guaranteeBroken: FindingKind = {
  kind: 'guaranteeBroken',
  called: 'guarantees that are broken',
  stop: 'release',
  firm: true,
  find: (examined) => lastOf(findInSteps(examined)),
  findInSteps,
};

function* findInSteps(examined: Examined): Generator<void, (Found | Unexamined)[]> {
  const found: (Found | Unexamined)[] = [];
  for (const [id, guarantee] of inOrder(examined.compiled.policy.guarantees ?? {})) {
    if (!guarantee.on) continue;
    const { broken, notExamined } = yield* verdictInSteps(guarantee, examined);
    found.push(
      ...broken.map((one) => foundOf(id, guarantee, one, examined)),
      ...notExamined.map((because) => ({ at: `/guarantees/${id}`, because: `“${guarantee.name}”: ${because}` })),
    );
  }
  return found;
}

const known = new WeakMap<BrokenIn, { name: string; found: Found }>();

/** Said once for as long as it is broken in the same way. */
function foundOf(id: string, guarantee: Guarantee, broken: BrokenIn, examined: Examined): Found {
  const { name } = guarantee;
  const last = known.get(broken);
  if (last?.name === name) return last.found;
  const { market } = broken;
  const seen = seenBroken(guarantee, broken, examined);
  const found: Found = {
    severity: 'wrong',
    at: `/guarantees/${id}`,
    key: market.id,
    marketId: market.id,
    sentence: `“${name}” does not hold in “${market.market.name}”${brokenWhere(broken, seen, examined)}: ${seen.says}.`,
    example: seen.cart,
    remedy: null,
  };
  known.set(broken, { name, found });
  return found;
}
