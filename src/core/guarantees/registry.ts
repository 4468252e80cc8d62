import { Registry } from '../registry.ts';
import type { GuaranteeClaim } from '../policy/types.ts';
import type { ClaimKind } from './claim.ts';
import { costsAtMost } from './claims/costs-at-most.ts';
import { free } from './claims/free.ts';
import { goalsAgree } from './claims/goals-agree.ts';
import { neverRises } from './claims/never-rises.ts';
import { noMoreThanGuests } from './claims/no-more-than-guests.ts';
import { offered } from './claims/offered.ts';
import { pricesAgree } from './claims/prices-agree.ts';
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
]);

export const claimKindOf = ({ kind }: GuaranteeClaim): ClaimKind => claimKinds.of(kind);
