import { matchesPattern, parsePostcodePattern } from '../../../geography/postcode.ts';
import { checkPattern } from '../../../geography/check-pattern.ts';
import type { Fact, FactForm } from '../../fact.ts';
import { plainLeaf, type LeafOf } from '../../leaf.ts';

type Node = LeafOf<'postcode'>;

const form: FactForm<Node> = {
  kind: 'postcode',
  definition: 'postcodeFact',
  schema: () => ({
    required: ['patterns'],
    properties: {
      patterns: {
        type: 'array',
        minItems: 1,
        maxItems: 500,
        uniqueItems: true,
        items: { type: 'string', minLength: 1, maxLength: 40 },
      },
    },
  }),
  asksFirst: 'postcode',
  check: ({ patterns }, _policy, at, fault) => {
    for (const [index, pattern] of patterns.entries()) checkPattern(pattern, `${at}/patterns/${index}`, fault);
  },
};

export const postcode: Fact<Node> = {
  id: 'postcode',
  about: 'The destination',
  name: 'postcode',
  also: 'zip area where',
  form,
  told: 'shipment',
  compile: (node) => {
    const patterns = node.patterns.map((text) => {
      const parsed = parsePostcodePattern(text);
      if (!parsed.ok) throw new RangeError(`postcode pattern "${text}": ${parsed.reason}`);
      return parsed.pattern;
    });
    return plainLeaf((facts) => facts.postcode !== '' && patterns.some((one) => matchesPattern(one, facts.postcode)));
  },
  readOut: ({ patterns }) => `the postcode matches ${patterns.join(' or ')}`,
  begin: ({ word }) => ({ kind: 'postcode', patterns: [word] }),
};
