import { inOrder } from '../../../ordered.ts';
import type { Offer, Policy } from '../../../policy/types.ts';
import type { FindingKind } from '../../kind.ts';

const codesOf = ({ unlock }: Offer): string[] => ('codes' in unlock ? Object.keys(unlock.codes) : []);
const inUse = ({ offers }: Policy) => inOrder(offers).filter(([, { on }]) => on);

/** A code that unlocks several offers, so that entering it means more than one thing. */
export const codeClash: FindingKind = {
  kind: 'codeClash',
  called: 'codes of several offers',
  stop: 'offers',
  find: ({ compiled: { policy } }) => {
    const first = new Map<string, string>();
    return inUse(policy).flatMap(([id, offer]) =>
      codesOf(offer).flatMap((code) => {
        const other = first.get(code);
        if (other === undefined) first.set(code, id);
        if (other === undefined || other === id) return [];
        return [
          {
            severity: 'risky',
            at: `/offers/${id}/unlock/codes/${code}`,
            marketId: null,
            sentence: `The code “${code}” unlocks “${policy.offers[other]!.name}” and “${offer.name}” alike.`,
            example: null,
            // An offer that codes unlock needs one.
            remedy:
              codesOf(offer).length === 1
                ? null
                : {
                    says: `Take it out of “${offer.name}”`,
                    patch: [{ op: 'remove', path: `/offers/${id}/unlock/codes/${code}` }],
                  },
          },
        ];
      }),
    );
  },
};

const shortest = 4;

/** A code that is found by trying: shorter than four signs, or only figures of at most six (common practice). */
export const codeGuessed: FindingKind = {
  kind: 'codeGuessed',
  called: 'codes that can be guessed',
  stop: 'offers',
  find: ({ compiled: { policy } }) =>
    inUse(policy).flatMap(([id, offer]) =>
      codesOf(offer)
        .filter((code) => code.length < shortest || /^\d{1,6}$/.test(code))
        .map((code) => ({
          severity: 'remark' as const,
          at: `/offers/${id}/unlock/codes/${code}`,
          marketId: null,
          sentence: `The code “${code}” of “${offer.name}” is found by trying.`,
          example: null,
          remedy: null,
        })),
    ),
};
