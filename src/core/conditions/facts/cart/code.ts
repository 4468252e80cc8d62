import { usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

/** Codes are compared whatever the case in which a shopper types them. */
const upper = (typed: string): string => typed.toUpperCase();

export const code = wordFact('cart.code', {
  about: 'The cart',
  name: 'has a code',
  also: 'coupon voucher promotion campaign',
  words: {
    name: 'the codes entered',
    several: true,
    known: (policy) => usedWords('cart.code', policy, ({ codes }) => codes?.map(upper)),
    accept: upper,
  },
  always: true,
  of: ({ cart }) => cart.codes,
  compareAs: upper,
});
