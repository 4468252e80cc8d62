import { LRUCache } from 'lru-cache';
import type { Policy, Surface } from '../../core/policy/types.ts';
import type { Compared } from '../../core/surfaces/compared/compared.ts';
import { compareSurface, type Beside } from './compare-surface.ts';
import { readContent, type ReadContent } from './read-content.ts';
import { textOfSurface, type Reading } from './reading-store.ts';

/** Of texts that are kept taken apart; a letter counts as two. Bytes */
const mostKept = 64 * 1024 * 1024;

/** All that a comparison rests on beside the policy and what was read. */
interface ComparisonKey {
  surface: Surface;
  catalogue: Beside['catalogue'];
  hour: number;
  releases: string;
}

/** A surface’s text, taken apart once, and how it compares with policies, each worked out once. */
export class KnownContent {
  readonly #read: ReadContent;
  readonly #compared = new WeakMap<Policy, { key: ComparisonKey; compared: Compared }>();

  constructor(
    readonly version: string,
    read: ReadContent,
  ) {
    this.#read = read;
  }

  /** What it states beside what releases charge; within an hour the same. */
  compared(surface: Surface, beside: Beside): Compared {
    const { history, catalogue, instant } = beside;
    const { policy } = history[0]!;
    const hour = Math.floor(instant / 3_600_000);
    const key: ComparisonKey = { surface, catalogue, hour, releases: history.map(({ release }) => release).join(' ') };
    const known = this.#compared.get(policy);
    if (known && isSame(known.key, key)) return known.compared;
    const compared = compareSurface(surface, this.#read, beside);
    this.#compared.set(policy, { key, compared });
    return compared;
  }
}

const isSame = (one: ComparisonKey, other: ComparisonKey): boolean =>
  one.catalogue === other.catalogue &&
  one.hour === other.hour &&
  one.releases === other.releases &&
  sameListeners(one.surface, other.surface);

const sameListeners = (one: Surface, other: Surface): boolean =>
  one === other ||
  (Object.keys(one.markets).join(' ') === Object.keys(other.markets).join(' ') &&
    one.languages.join(' ') === other.languages.join(' '));

const kept = new LRUCache<string, KnownContent>({ maxSize: mostKept });

/** What was last read of a surface; null: nothing has been. */
export async function knownContent(id: string, { version }: Reading): Promise<KnownContent | null> {
  if (version === null) return null;
  const known = kept.get(id);
  if (known?.version === version) return known;
  const text = await textOfSurface(id);
  if (!text) return null;
  const content = new KnownContent(text.version, readContent(text.content, text.format));
  kept.set(id, content, { size: 1 + 2 * text.content.length });
  return content;
}
