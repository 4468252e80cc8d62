import { inOrder } from '../../../ordered.ts';
import { wordFact } from '../../forms/word.ts';

export const market = wordFact('destination.market', {
  about: 'The destination',
  name: 'market',
  also: 'where country',
  words: {
    name: 'the market',
    several: false,
    known: (policy) => inOrder(policy.markets).map(([word, { name }]) => ({ word, name })),
    nameOf: (word, policy) => policy.markets[word]?.name ?? word,
    fault: (word, policy) => (policy.markets[word] ? null : `there is no market "${word}"`),
  },
  always: true,
  of: ({ cart }) => cart.terms.id,
  told: 'always',
});
