import { Registry } from '../registry.ts';
import type { GuaranteeClaim } from '../policy/types.ts';
import type { ClaimKind } from './claim.ts';
import { goalsAgree, pricesAgree } from './claims/agree.ts';
import { costsAtMost, free } from './claims/costs-at-most.ts';
import { neverRises } from './claims/never-rises.ts';
import { noMoreThanGuests } from './claims/no-more-than-guests.ts';
import { offered } from './claims/offered.ts';
import { read } from './claims/read.ts';

/** Every kind of claim, in the order in which they are chosen. */
export const claimKinds = new Registry<ClaimKind>('kind of claim', ({ kind }) => kind, [
  offered,
  costsAtMost,
  free,
  neverRises,
  noMoreThanGuests,
  read,
  goalsAgree,
  pricesAgree,
] as unknown as ClaimKind[]);

export const claimKindOf = ({ kind }: GuaranteeClaim): ClaimKind => claimKinds.of(kind);
