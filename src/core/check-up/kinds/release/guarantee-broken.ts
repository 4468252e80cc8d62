import { verdictInSteps, type BrokenIn } from '../../../guarantees/broken.ts';
import { lastOf } from '../../../in-steps.ts';
import { inOrder } from '../../../ordered.ts';
import type { Guarantee } from '../../../policy/types.ts';
import type { Found, Unexamined } from '../../finding.ts';
import type { Examined, FindingKind } from '../../kind.ts';
import { armsExamined, guaranteeForArm, type ArmExamined } from './arms-examined.ts';
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
  const arms = armsExamined(examined);
  for (const [id, guarantee] of inOrder(examined.compiled.policy.guarantees ?? {})) {
    if (!guarantee.on) continue;
    const { broken, notExamined } = yield* verdictInSteps(guarantee, examined);
    found.push(
      ...broken.map((one) => foundOf(id, guarantee, one, examined)),
      ...notExamined.map((because) => ({ at: `/guarantees/${id}`, because: `“${guarantee.name}”: ${because}` })),
    );
    const everywhere = new Set(broken.map(({ market }) => market.id));
    for (const arm of arms) {
      const narrowed = guaranteeForArm(guarantee, arm.market);
      if (!narrowed) continue;
      const inArm = yield* verdictInSteps(narrowed, arm.examined);
      found.push(
        ...inArm.broken
          .filter(({ market }) => !everywhere.has(market.id))
          .map((one) => foundInArm(id, guarantee, one, arm)),
      );
    }
  }
  return found;
}

/** No cart of the draft shows it: its shopper is in no arm. */
function foundInArm(id: string, guarantee: Guarantee, broken: BrokenIn, { key, says, examined }: ArmExamined): Found {
  const found = foundOf(id, guarantee, broken, examined, says);
  return { ...found, key: `${found.key} ${key}`, example: null };
}

const known = new WeakMap<BrokenIn, { name: string; whose: string; found: Found }>();

/** Said once for as long as it is broken in the same way. @param whose after the market, where it is not broken for everybody */
function foundOf(id: string, guarantee: Guarantee, broken: BrokenIn, examined: Examined, whose = ''): Found {
  const { name } = guarantee;
  const last = known.get(broken);
  if (last?.name === name && last.whose === whose) return last.found;
  const { market } = broken;
  const seen = seenBroken(guarantee, broken, examined);
  const found: Found = {
    severity: 'wrong',
    at: `/guarantees/${id}`,
    key: market.id,
    marketId: market.id,
    sentence: `“${name}” does not hold in “${market.market.name}”${whose}${brokenWhere(broken, seen, examined)}: ${seen.says}.`,
    example: seen.cart,
    remedy: null,
  };
  known.set(broken, { name, whose, found });
  return found;
}
