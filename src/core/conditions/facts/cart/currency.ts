import { plainWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const currency = wordFact('cart.currency', {
  about: 'The cart',
  name: 'currency',
  also: 'money euro pound',
  words: {
    name: 'the currency',
    several: false,
    known: ({ markets }) => plainWords(Object.values(markets).map((market) => market.currency)),
  },
  always: true,
  of: ({ cart }) => cart.terms.money.currency,
  told: 'always',
});
