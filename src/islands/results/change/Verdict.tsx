import { figureIds, figureKinds } from '../../../core/results/figures/registry.ts';
import type { FigureId } from '../../../core/results/figures/registry.ts';
import type { FigureWords } from '../study/figure-words.ts';
import type { JudgedFigure } from '../../../core/results/judge-change.ts';
import { decides, moreNeededInWords, paidInWords, rangeInWords } from './verdict-words.ts';

const listed = new Intl.ListFormat('en', { type: 'conjunction' });

/** Whether it paid, what surely moved, and what chance explains. */
export function Verdict({
  judged,
  orders,
  compared,
  words,
}: {
  judged: Record<FigureId, JudgedFigure>;
  orders: number;
  /** with other markets */
  compared: boolean;
  words: FigureWords;
}) {
  const paid = judged[decides];
  const { head, says } = paidInWords(paid, words, compared);
  const rest = figureIds.filter((id) => id !== decides).map((id) => judged[id]);
  const moved = rest.filter(({ verdict }) => verdict === 'more' || verdict === 'less');
  const chance = rest.filter(({ verdict }) => verdict === 'chance');
  const needed = moreNeededInWords(paid, orders, words);
  return (
    <div className="max-w-[60rem] py-1" data-testid="results-verdict" role="status">
      <p className="text-lead">
        <strong>{head}.</strong> {says[0]!.toUpperCase() + says.slice(1)} {needed}
      </p>
      {moved.length > 0 && (
        <p className="pt-1">
          Surely moved: {listed.format(moved.map((one) => `${figureKinds[one.id].name} (${rangeInWords(one, words)})`))}
          .
        </p>
      )}
      {chance.length > 0 && (
        <p className="text-soft">Explained by chance: {listed.format(chance.map(({ id }) => figureKinds[id].name))}.</p>
      )}
    </div>
  );
}
