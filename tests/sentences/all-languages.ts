import { afterwards } from './afterwards.ts';
import { ar } from './ar.ts';
import { da } from './da.ts';
import { de } from './de.ts';
import { en } from './en.ts';
import { fr } from './fr.ts';
import { ja } from './ja.ts';
import type { Labelled, SentenceKind, Sentences } from './labelled.ts';
import { nl } from './nl.ts';
import { unseen } from './unseen.ts';

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

type ByLanguage = Readonly<Record<string, readonly Labelled[]>>;

const keptAside = (sentences: ByLanguage, aside: boolean): LabelledSentence[] =>
  Object.entries(sentences).flatMap(([language, all]) =>
    all.map(([text, ...labels]) => ({ language, kind: kindOf(labels), text, labels, aside })),
  );

/** Sentences that were written when the reader was there; it has been changed for them since. */
export const laterSentences: readonly LabelledSentence[] = keptAside(afterwards, false);

/** Sentences that it was never changed for. */
export const unseenSentences: readonly LabelledSentence[] = keptAside(unseen, true);

function kindOf([label, ...more]: readonly string[]): SentenceKind {
  if (label === undefined) return 'other';
  return more.length > 0 ? 'both' : (label.split(' ')[0] as SentenceKind);
}
