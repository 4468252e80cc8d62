import {
  argumentKind,
  wordingArgumentNames,
  wordingArguments,
  type WordingArgument,
} from '../../core/wording/arguments.ts';
import type { MessageArguments } from '../../core/evaluation/evaluation.ts';
import { pluralCategories } from '../../core/wording/languages/plural-categories.ts';
import { rewardBranches } from '../../core/offers/reward-kinds.ts';

/** Something that can be put in where a brace has been opened. */
export interface Completion {
  id: string;
  /** what is put in, the opening brace included */
  text: string;
  means: string;
  /** where the caret goes, counted from the beginning of the text put in */
  caret: number;
}

/** Everything that can stand after a brace, for an offer that has nothing for some arguments. */
export function completionsOf(
  measure: MessageArguments['measure'],
  without: readonly WordingArgument[],
  language: string,
): Completion[] {
  return wordingArgumentNames
    .filter((name) => !without.includes(name))
    .flatMap((name): Completion[] => {
      const { means } = wordingArguments[name];
      const kind = argumentKind(name, measure);
      const plain: Completion = { id: name, text: `{${name}}`, means, caret: name.length + 2 };
      if (kind === 'choice') {
        const branches = rewardBranches()
          .slice(0, 2)
          .map((branch) => `${branch} {}`);
        const text = `{${name}, select, ${branches.join(' ')} other {}}`;
        return [{ id: `${name} select`, text, means, caret: text.indexOf('{}') + 1 }];
      }
      if (kind !== 'number') return [plain];
      const text = `{${name}, plural, ${[...new Set([...pluralCategories(language).filter((category) => category !== 'other'), 'other'])].map((category) => `${category} {#}`).join(' ')}}`;
      return [
        plain,
        {
          id: `${name} plural`,
          text,
          means: `${means}: one text for each plural form of ${language}`,
          caret: text.indexOf('{#}') + 2,
        },
      ];
    });
}
