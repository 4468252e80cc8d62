import { yesNoFact } from '../../forms/yes-no.ts';

export const business = yesNoFact(
  'shopper.business',
  {
    about: 'The shopper',
    name: 'buys for a business',
    also: 'company trade firm private consumer',
    yes: 'the shopper buys for a business',
    no: 'the shopper buys privately',
  },
  ({ shopper }) => shopper.business,
);
