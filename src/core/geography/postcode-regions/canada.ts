import type { PostcodeScheme } from './scheme.ts';

/** By the first letter; X is shared, so that three signs tell. From memory, checked against the package `zipcodes`. */
export const canada: PostcodeScheme = {
  country: 'CA',
  whole: /^[A-Z]\d[A-Z](\d[A-Z]\d)?$/,
  regions: {
    AB: 'T',
    BC: 'V',
    MB: 'R',
    NB: 'E',
    NL: 'A',
    NS: 'B',
    NT: 'X0E X0G X1A',
    NU: 'X0A X0B X0C',
    ON: 'K L M N P',
    PE: 'C',
    QC: 'G H J',
    SK: 'S',
    YT: 'Y',
  },
};
