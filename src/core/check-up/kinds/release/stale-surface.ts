import { inOrder } from '../../../ordered.ts';
import type { Found } from '../../finding.ts';
import type { FindingKind } from '../../kind.ts';

/**
 * Another place that states what is not so any more, or would not be with the draft. It is no reason to hold a release back:
 * what is said elsewhere is brought into line after it.
 */
export const staleSurface: FindingKind = {
  kind: 'staleSurface',
  called: 'stale surfaces',
  stop: 'release',
  find: ({ compiled, surfaces }) =>
    inOrder(compiled.policy.surfaces ?? {}).flatMap(([id, { name, markets }]): Found[] => {
      const { stale = 0, becomesStale = 0 } = surfaces?.get(id) ?? {};
      const [only, ...others] = Object.keys(markets);
      const found = (severity: Found['severity'], key: string, sentence: string): Found => ({
        severity,
        at: `/surfaces/${id}`,
        key,
        marketId: others.length === 0 ? (only ?? null) : null,
        sentence,
        example: null,
        remedy: null,
      });
      return [
        ...(stale > 0 ? [found('risky', 'now', `“${name}” states ${counted(stale)} not so any more.`)] : []),
        ...(becomesStale > 0
          ? [found('remark', 'then', `“${name}” states ${counted(becomesStale)} not so with this draft.`)]
          : []),
      ];
    }),
};

const counted = (count: number): string =>
  count === 1 ? 'a delivery price or goal that is' : `${count} delivery prices or goals that are`;
