import { both, contraryOf, isNothing, type Values } from './values.ts';

/** Values of several facts at once; a fact that is not named may be anything. None of the values is empty. */
export type Box = ReadonlyMap<string, Values>;

/** All that is in one of some boxes. */
export type Region = readonly Box[];

/** So many boxes at most are looked at; what comes to more is not examined. */
export const mostBoxes = 2000;

const everything: Region = [new Map()];
const nothing: Region = [];

/** What one leaf asks for: the values of one fact for which it holds. */
export interface Asked {
  fact: string;
  values: Values;
  /** all that the fact can be; absent: anything, and not known */
  among?: Values;
}

/** A tree of conditions over leaves. */
export type Tree = { of: 'all' | 'any' | 'none'; children: readonly Tree[] } | Asked;

/**
 * The region in which a tree holds, as a union of boxes (disjunctive form).
 *
 * @returns null where it comes to more than `mostBoxes`: not examined
 */
export function regionOf(tree: Tree): Region | null {
  return regionWhere(tree, true);
}

/** @param holds whether it is to hold, or not to */
function regionWhere(tree: Tree, holds: boolean): Region | null {
  if (!('of' in tree)) {
    const { fact, values, among } = tree;
    const wanted = holds ? values : contraryOf(values);
    return boxed(fact, among ? both(wanted, among) : wanted);
  }
  const wanted = tree.of === 'none' ? !holds : holds;
  const parts = tree.children.map((child) => regionWhere(child, wanted));
  // All of them together, or any; a tree of none is any of them, denied.
  const together = tree.of === 'any' ? !holds : holds;
  return together ? allOf(parts) : anyOf(parts);
}

const boxed = (fact: string, values: Values): Region => (isNothing(values) ? nothing : [new Map([[fact, values]])]);

function anyOf(parts: readonly (Region | null)[]): Region | null {
  const boxes: Box[] = [];
  for (const part of parts) {
    if (part === null) return null;
    boxes.push(...part);
    if (boxes.length > mostBoxes) return null;
  }
  return boxes;
}

function allOf(parts: readonly (Region | null)[]): Region | null {
  let region: Region | null = everything;
  for (const part of parts) {
    if (part === null) return null;
    region = inBoth(region, part);
    if (region === null || region.length === 0) return region;
  }
  return region;
}

/** What is in both; null: not examined. */
function inBoth(a: Region, b: Region): Region | null {
  const boxes: Box[] = [];
  for (const one of a) {
    for (const other of b) {
      const box = boxInBoth(one, other);
      if (box) boxes.push(box);
      if (boxes.length > mostBoxes) return null;
    }
  }
  return boxes;
}

function boxInBoth(a: Box, b: Box): Box | null {
  const box = new Map(a);
  for (const [fact, values] of b) {
    const had = box.get(fact);
    const left = had ? both(had, values) : values;
    if (isNothing(left)) return null;
    box.set(fact, left);
  }
  return box;
}
