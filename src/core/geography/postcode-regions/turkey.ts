import type { PostcodeScheme } from './scheme.ts';

const provinces = Array.from({ length: 81 }, (_, index) => String(index + 1).padStart(2, '0'));

/** The first two digits of five are the province's number, which is its code too. From memory. */
export const turkey: PostcodeScheme = {
  country: 'TR',
  whole: /^\d{5}$/,
  regions: Object.fromEntries(provinces.map((number) => [number, number])),
};
