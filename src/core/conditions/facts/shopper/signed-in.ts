import { yesNoFact } from '../../forms/yes-no.ts';

export const signedIn = yesNoFact(
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
