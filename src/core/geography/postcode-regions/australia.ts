import type { PostcodeScheme } from './scheme.ts';

/** By all four digits; those that are delivered on both sides of a border tell nothing. From memory. */
export const australia: PostcodeScheme = {
  country: 'AU',
  whole: /^\d{4}$/,
  regions: {
    ACT: '0200..0299 2600..2618 2900..2920',
    NSW: '1000..2599 2619..2899 2921..2999',
    NT: '0800..0999',
    QLD: '4000..4999 9000..9999',
    SA: '5000..5999',
    TAS: '7000..7999',
    VIC: '3000..3999 8000..8999',
    WA: '6000..6999',
    '?': '0872 2406 2540 2611 2618 2620 2899 3585 3586 3644 3691 3707 4375 4377 4380 4383 4385 4825',
  },
};
