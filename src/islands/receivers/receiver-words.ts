import type { OutgoingCall, Receiver } from '../../contract/shapes/receiver.ts';

/** What a receiver was told of last; undefined: of nothing yet. */
export const lastRelease = ({ calls }: Receiver): OutgoingCall | undefined =>
  calls.find(({ kind }) => kind === 'release');

/** Whether something is amiss with what a receiver is told. A call that has just been made may still be under way. */
export function isUntold(receiver: Receiver): boolean {
  const last = lastRelease(receiver);
  return receiver.leftAt !== null || (last !== undefined && last.state !== 'arrived' && last.tries.length > 0);
}

/** How a receiver stands, in a sentence or two. @param moment writes a moment */
export function standingInWords(receiver: Receiver, moment: (iso: string) => string): string {
  if (receiver.leftAt !== null)
    return `It is told nothing any more since ${moment(receiver.leftAt)}: nothing had arrived for three days.`;
  const last = lastRelease(receiver);
  if (!last) return 'It will be told of the next release.';
  const of = `release ${last.release}`;
  const tried = last.tries.at(-1);
  if (last.state === 'arrived') return `It was told of ${of}, ${moment(tried?.at ?? last.madeAt)}.`;
  if (!tried) return `It is being told of ${of}.`;
  const why = `It has not been told of ${of}: ${tried.problem}.`;
  const times = last.tries.length === 1 ? 'Tried once' : `Tried ${last.tries.length} times`;
  return last.nextAt === null
    ? `${why} ${times}, and given up after a day.`
    : `${why} ${times}, again ${moment(last.nextAt)}.`;
}
