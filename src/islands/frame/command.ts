import type { SearchEntry } from '../../ui/best-matches.ts';

/** Something the palette reaches: it is found by its name, and by everyday words that people have for it. */
export type Command = SearchEntry<() => void>;
