import { inOrder } from '../../../ordered.ts';
import type { FindingKind } from '../../kind.ts';

/** A limit below what has been used already: how often that is, shops tell with each quote, and nobody keeps it here. */
export const limitUsedUp: FindingKind = {
  kind: 'limitUsedUp',
  called: 'limits that are used up',
  stop: 'offers',
  find: ({ compiled }) =>
    inOrder(compiled.policy.offers).flatMap(([id, { on, name, limits }]) =>
      on && limits?.inAll !== undefined
        ? [
            {
              at: `/offers/${id}/limits`,
              because: `How often “${name}” has been used the shop says with each cart; it is not kept here, so that its limit of ${limits.inAll} cannot be held against it.`,
            },
          ]
        : [],
    ),
};
