import { figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { FigureWords } from '../study/figure-words.ts';
import type { JudgedFigure } from '../../../core/results/judge-change.ts';

/** The figure that says whether a change paid: margin of all orders, so that orders lost count as well as orders grown. */
export const decides: FigureId = 'marginADay';

/** Where a figure lies, with its interval, in words. */
export function rangeInWords(judged: JudgedFigure, words: FigureWords): string {
  const { id, beyond, difference } = judged;
  if (beyond)
    return `${words.relative(beyond.relative)}, between ${words.relative(beyond.low)} and ${words.relative(beyond.high)}`;
  if (!difference) return 'not known';
  const write = (value: number) => words.difference(id, value);
  return `${write(difference.difference)}, between ${write(difference.low)} and ${write(difference.high)}`;
}

/** Whether it paid, in a sentence. @param compared with other markets */
export function paidInWords(
  judged: JudgedFigure,
  words: FigureWords,
  compared: boolean,
): { head: string; says: string } {
  const { name } = figureKinds[judged.id];
  const than = compared ? ' beside what the other markets did' : ', seasons not taken off';
  if (judged.verdict === null)
    return {
      head: 'Not enough orders to tell',
      says: `Too few were placed in these weeks to say anything of ${name}.`,
    };
  const range = `${name} moved by ${rangeInWords(judged, words)}${than}`;
  if (judged.verdict === 'chance')
    return { head: 'Not enough orders to tell whether it paid', says: `${range}: chance explains that.` };
  return judged.verdict === 'more'
    ? { head: compared ? 'It paid' : 'More came in', says: `${range}.` }
    : { head: compared ? 'It did not pay' : 'Less came in', says: `${range}.` };
}

/** How many orders would tell, in a sentence; empty where there is nothing to say. */
export function moreNeededInWords({ verdict, toTell }: JudgedFigure, orders: number, words: FigureWords): string {
  if (verdict !== 'chance') return '';
  if (toTell === null) return 'To tell so small a difference would take more than a hundred times as many orders.';
  return `About ${words.count(roughly(toTell - orders))} more orders would tell a difference as large as that, if it is not chance.`;
}

/** To two figures: more would claim to know. */
const roughly = (count: number): number => Number(count.toPrecision(2));
