import { CircleCheck, CircleDashed, CircleHelp, CircleX } from 'lucide-react';
import type { StatementFound, SurfaceStanding } from '../../../contract/shapes/surface.ts';

type State = SurfaceStanding['state'];

/** How a state is said and drawn. */
export const stateLooks: Record<State, { said: string; Icon: typeof CircleCheck; look: string }> = {
  stale: { said: 'stale', Icon: CircleX, look: 'font-semibold text-error' },
  unclear: { said: 'unclear', Icon: CircleHelp, look: 'text-warning' },
  nothingStated: { said: 'states nothing', Icon: CircleDashed, look: 'text-soft' },
  neverCompared: { said: 'never compared', Icon: CircleDashed, look: 'text-soft' },
  right: { said: 'right', Icon: CircleCheck, look: 'text-primary' },
  byHand: { said: 'done by hand', Icon: CircleCheck, look: 'text-primary' },
};

/** What wants work first. */
export const stateOrder = Object.keys(stateLooks) as State[];

const whyUnclear: Record<NonNullable<StatementFound['because']>, string> = {
  otherCurrency: 'it is in another currency than the market’s',
  onlySome: 'it holds for some orders or shoppers only',
  neverSo: 'no release has ever charged it; it may be about something else',
  nothingOfIt: 'nothing of the kind is charged',
};

/** What is told of a statement beside its words, as the end of a sentence. */
export function verdictInWords(statement: StatementFound): string {
  const words = withoutStop(statement);
  // Some amounts end with a full stop of their own.
  return words.endsWith('.') ? words : `${words}.`;
}

function withoutStop({ verdict, should, since, because, kind }: StatementFound): string {
  if (verdict === 'right') return 'right';
  if (verdict === 'unclear') return `unclear: ${whyUnclear[because ?? 'nothingOfIt']}`;
  const until = since === null ? 'was never so' : `not so since release ${since}`;
  if (should.length === 0) return `stale: ${until}`;
  const amounts = should.join(kind === 'range' ? ' to ' : ' or ');
  return `stale: ${until}; should say ${kind === 'free' ? 'free from ' : ''}${amounts}`;
}

/** Counts of what a surface states: “1 right, 2 stale”. */
export function countsInWords({ right, stale, unclear }: Pick<SurfaceStanding, 'right' | 'stale' | 'unclear'>): string {
  const parts = [
    [right, 'right'],
    [stale, 'stale'],
    [unclear, 'unclear'],
  ] as const;
  return parts.flatMap(([count, word]) => (count > 0 ? [`${count} ${word}`] : [])).join(', ');
}
