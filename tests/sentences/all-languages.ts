import { afterwards } from './afterwards.ts';
import { ar } from './ar.ts';
import { da } from './da.ts';
import { de } from './de.ts';
import { en } from './en.ts';
import { fr } from './fr.ts';
import { ja } from './ja.ts';
import type { Labelled, SentenceKind, Sentences } from './labelled.ts';
import { nl } from './nl.ts';

const byLanguage: Readonly<Record<string, Sentences>> = { en, nl, fr, de, da, ja, ar };

export interface LabelledSentence {
  language: string;
  kind: SentenceKind;
  text: string;
  labels: readonly string[];
  /** kept aside while the reader was made: only what is measured of these tells how good it is */
  aside: boolean;
}

/** Sentences that were written before the reader; every third of a kind is kept aside. */
export const labelledSentences: readonly LabelledSentence[] = Object.entries(byLanguage).flatMap(
  ([language, sentences]) =>
    Object.entries(sentences).flatMap(([kind, all]: [string, readonly Labelled[]]) =>
      all.map(([text, ...labels], index) => ({
        language,
        kind: kind as SentenceKind,
        text,
        labels,
        aside: index % 3 === 2,
      })),
    ),
);

/** Sentences that were written after it, each of which is kept aside. */
export const laterSentences: readonly LabelledSentence[] = Object.entries(afterwards).flatMap(([language, sentences]) =>
  sentences.map(([text, ...labels]) => ({
    language,
    kind: kindOf(labels),
    text,
    labels,
    aside: true,
  })),
);

function kindOf([label, ...more]: readonly string[]): SentenceKind {
  if (label === undefined) return 'other';
  return more.length > 0 ? 'both' : (label.split(' ')[0] as SentenceKind);
}
