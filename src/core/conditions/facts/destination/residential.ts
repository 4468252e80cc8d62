import { yesNoFact } from '../../forms/yes-no.ts';

export const residential = yesNoFact(
  'destination.residential',
  {
    about: 'The destination',
    name: 'is residential',
    also: 'home house business address',
    yes: 'the destination is residential',
    no: 'the destination is a business',
  },
  ({ destination }) => destination.residential,
);
