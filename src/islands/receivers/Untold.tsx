import { useMoments } from '../page/use-moments.ts';
import { useRelease } from '../page/page-context.tsx';
import { isUntold, standingInWords } from './receiver-words.ts';
import { useReceivers } from './use-receivers.ts';

/** Systems of the shop that the release has not reached; nothing where it has reached all. */
export function Untold() {
  const { receivers } = useReceivers(null, useRelease()?.number ?? null);
  const write = useMoments();
  const untold = receivers?.filter(isUntold) ?? [];
  if (untold.length === 0) return null;
  return (
    <ul role="status" className="mt-2 max-w-[52rem] text-error" data-testid="untold">
      {untold.map((receiver) => (
        <li key={receiver.id} className="break-words">
          <a className="link" href="/connections#receivers">
            {receiver.address}
          </a>
          {': '}
          {standingInWords(receiver, write)}
        </li>
      ))}
    </ul>
  );
}
