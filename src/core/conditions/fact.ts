import type { MarketTerms } from '../markets/terms.ts';
import type { Fault } from '../policy/fault.ts';
import type { Amounts, GoodsSelection, Policy } from '../policy/types.ts';
import type { Tree } from '../regions/region.ts';
import type { Leaf, LeafNode, Unplaced } from './leaf.ts';
import type { Reader } from './reader.ts';

/** What a first condition on a fact is made of. */
export interface Beginning {
  /** the first word or postcode, for facts that ask for it; empty for others */
  word: string;
  /** the first goods, the same */
  goods: GoodsSelection;
  /** about 50 of the currency's units in each market that is given an amount */
  amounts: Amounts;
  policy: Policy;
  /** ISO 8601 day */
  today: string;
}

/** A fact in everyday words, as it is looked for. */
export interface FactWords {
  about: 'The shopper' | 'The cart' | 'The destination' | 'The moment';
  /** as the sentence begins */
  name: string;
  /** other everyday words under which one looks for it */
  also: string;
}

/**
 * Whether an export of past orders tells it: of all orders alike; by the zone that an order went to; where each is looked at on
 * its own day; by where it went and what it weighed, if it says so; or never.
 */
export type ToldByOrders = 'always' | 'zone' | 'day' | 'shipment' | 'never';

/** A word as conditions hold it, and as it is read. */
export interface KnownWord {
  word: string;
  name: string;
}

/** What is particular to a fact whose conditions are lists of words. */
export interface WordsOfFact {
  /** as read-outs name it */
  name: string;
  /** a cart or shopper can have several of them */
  several: boolean;
  /** words that the store knows */
  known: (policy: Policy, countryName: (code: string) => string) => KnownWord[];
  /** another word as it is kept; null where it is none. Absent: only known words make sense */
  accept?: (text: string) => string | null;
  /** of a word, where it is an id */
  nameOf?: (word: string, policy: Policy) => string;
  /** of a word in the editor, where that is not how read-outs name it */
  shown?: (word: string, countryName: (code: string) => string) => string;
  /** why a word cannot stand; null where it can */
  fault?: (word: string, policy: Policy) => string | null;
}

/** All that is known of one fact that conditions ask about. */
export interface Fact<Node extends LeafNode = LeafNode> extends FactWords {
  /** as conditions name it: of a kind of leaf with several facts which, else the kind */
  id: string;
  form: FactForm<Node>;
  told: ToldByOrders;
  /** of its number, as it is read and typed */
  unit?: string;
  words?: WordsOfFact;
  /** prepares a leaf to be asked in a market, with the edges that sweeps look at */
  compile(node: Node, terms: MarketTerms): Leaf;
  /** for which values of which facts the leaf holds; absent: of that nothing is known but whether it holds */
  asks?(node: Node, terms: MarketTerms): Tree;
  /** the leaf as an exact English clause */
  readOut(node: Node, reader: Reader): string;
  /** the leaf as it is first put down, to be changed from there */
  begin(from: Beginning): Unplaced<Node>;
}

/** What facts of one kind of leaf have in common. */
export interface FactForm<Node extends LeafNode = LeafNode> {
  /** the kind of leaf, by which the schema tells them apart, and which field edits it */
  kind: Node['kind'];
  /** name of the leaf's definition in the schema */
  definition: string;
  /** JSON Schema of the leaf's members beside `order` and `kind`. @param facts ids of those that have this form */
  schema: (facts: readonly string[]) => { required: readonly string[]; properties: Record<string, object> };
  /** what has to be given before a condition can stand at all */
  asksFirst: 'word' | 'postcode' | 'goods' | null;
  /** what the schema cannot say. @param at JSON Pointer of the leaf */
  check(node: Node, policy: Policy, at: string, fault: Fault, words?: WordsOfFact): void;
}
