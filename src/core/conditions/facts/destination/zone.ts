import { inOrder } from '../../../ordered.ts';
import { wordFact } from '../../forms/word.ts';

export const zone = wordFact('destination.zone', {
  about: 'The destination',
  name: 'zone',
  also: 'area where',
  words: {
    name: 'the zone',
    several: false,
    known: (policy) => inOrder(policy.zones).map(([word, { name }]) => ({ word, name })),
    nameOf: (word, policy) => policy.zones[word]?.name ?? word,
    fault: (word, policy) => (policy.zones[word] ? null : `there is no zone "${word}"`),
  },
  always: true,
  of: ({ zoneId }) => zoneId,
  told: 'zone',
});
