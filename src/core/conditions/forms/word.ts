import type { Facts } from '../asked.ts';
import type { Fact, FactForm, FactWords, ToldByOrders, WordsOfFact } from '../fact.ts';
import { anyKnownWord, yesNo, yesOrNo } from '../asks.ts';
import { plainLeaf, type LeafOf } from '../leaf.ts';
import { listed } from '../reader.ts';
import { both, contraryOf, words as wordValues } from '../../regions/values.ts';
import type { Tree } from '../../regions/region.ts';

type Node = LeafOf<'word'>;

export const wordForm: FactForm<Node> = {
  kind: 'word',
  definition: 'wordFact',
  schema: (facts) => ({
    required: ['fact', 'operator', 'values'],
    properties: {
      fact: { enum: [...facts] },
      operator: {
        description: 'is and isNot take one value; contains is is for facts of several words',
        enum: ['is', 'isNot', 'oneOf', 'noneOf', 'contains'],
      },
      values: { $ref: '#/$defs/words' },
    },
  }),
  asksFirst: 'word',
  check: ({ operator, values }, policy, at, fault, words) => {
    const one = operator === 'is' || operator === 'isNot' || operator === 'contains';
    if (one && values.length !== 1) fault(`${at}/values`, 'must be one value');
    for (const [index, value] of values.entries()) {
      const wrong = words?.fault?.(value, policy) ?? null;
      if (wrong !== null) fault(`${at}/values/${index}`, wrong);
    }
  },
};

/** Words with the operator that their number asks for. */
export function wordsWith(
  values: readonly string[],
  negated: boolean,
): { operator: 'is' | 'isNot' | 'oneOf' | 'noneOf'; values: string[] } {
  const positive = values.length === 1 ? 'is' : 'oneOf';
  const negative = values.length === 1 ? 'isNot' : 'noneOf';
  return { operator: negated ? negative : positive, values: [...values] };
}

export const isNegated = ({ operator }: Pick<Node, 'operator'>): boolean =>
  operator === 'isNot' || operator === 'noneOf';

/** How a fact's being or not being something is said. */
export function verbsOf({ several }: Pick<WordsOfFact, 'several'>): { is: string; isNot: string } {
  return several
    ? { is: 'include', isNot: 'are known and do not include' }
    : { is: 'is', isNot: 'is known and is not' };
}

interface WordFact extends FactWords {
  words: WordsOfFact;
  /** the word, or all of them; null or undefined where they are not known */
  of: (facts: Facts) => string | Iterable<string> | null | undefined;
  /** as words are compared, where not as they are written */
  compareAs?: (word: string) => string;
  told?: ToldByOrders;
  /** it is known of every cart */
  always?: true;
}

/** Of words of which there can be several each is a fact of its own, which is so or not. */
function asksForWords(id: string, node: Node, { words, compareAs = (word) => word, always }: WordFact): Tree {
  const negated = isNegated(node);
  const wanted = node.values.map(compareAs);
  if (words.several) {
    const children = wanted.map((word) => ({
      fact: `${id} ${word}`,
      values: yesNo(!negated),
      ...(always ? { among: yesOrNo } : {}),
    }));
    return { of: negated ? 'all' : 'any', children };
  }
  const listed = wordValues(wanted);
  return {
    fact: id,
    values: negated ? both(contraryOf(listed), anyKnownWord) : listed,
    ...(always ? { among: anyKnownWord } : {}),
  };
}

/** A fact that is a word, or several, of a list. */
export function wordFact(id: Node['fact'], fact: WordFact): Fact<Node> {
  const { of, compareAs, always: _, told = 'never', ...known } = fact;
  return {
    id,
    ...known,
    form: wordForm,
    told,
    compile: (node) => {
      const wanted = new Set(compareAs ? node.values.map(compareAs) : node.values);
      const negated = isNegated(node);
      // Most conditions ask for one word: comparing is quicker than looking it up.
      const [only] = wanted.size === 1 ? wanted : [];
      const isWanted = (there: string | Iterable<string>): boolean => {
        if (typeof there === 'string') return only === undefined ? wanted.has(there) : there === only;
        for (const word of there) if (wanted.has(word)) return true;
        return false;
      };
      return plainLeaf((facts) => {
        const there = of(facts);
        return there !== undefined && there !== null && isWanted(there) !== negated;
      });
    },
    asks: (node) => asksForWords(id, node, fact),
    readOut: (node, { policy }) => {
      const { is, isNot } = verbsOf(known.words);
      const nameOf = known.words.nameOf ?? ((word: string) => word);
      const shown = listed(
        node.values.map((value) => `“${nameOf(value, policy)}”`),
        'or',
      );
      return `${known.words.name} ${isNegated(node) ? isNot : is} ${shown}`;
    },
    begin: ({ word }) => ({ kind: 'word', fact: id, ...wordsWith([word], false) }),
  };
}
