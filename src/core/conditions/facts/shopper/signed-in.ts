import { yesNo, yesOrNo } from '../../asks.ts';
import type { Fact } from '../../fact.ts';
import { yesNoFact } from '../../forms/yes-no.ts';
import type { LeafOf } from '../../leaf.ts';

const plain = yesNoFact(
  'shopper.signedIn',
  {
    about: 'The shopper',
    name: 'is signed in',
    also: 'guest account logged in member',
    yes: 'the shopper is signed in',
    no: 'the shopper is a guest',
  },
  ({ shopper }) => shopper.signedIn,
);

/** Of everybody it is known. */
export const signedIn: Fact<LeafOf<'yesNo'>> = {
  ...plain,
  asks: ({ is }) => ({ fact: plain.id, values: yesNo(is), among: yesOrNo }),
};
