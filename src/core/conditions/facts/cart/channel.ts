import { anyWord, usedWords } from '../../used-words.ts';
import { wordFact } from '../../forms/word.ts';

export const channel = wordFact('cart.channel', {
  about: 'The cart',
  name: 'channel',
  also: 'web app shop counter phone',
  words: {
    name: 'the channel',
    several: false,
    known: (policy) =>
      usedWords(
        'cart.channel',
        policy,
        (cart) => [cart.channel],
        Object.values(policy.options).flatMap(({ channels }) => channels ?? []),
      ),
    accept: anyWord,
  },
  always: true,
  of: ({ cart }) => cart.channel,
});
