import { useState } from 'react';
import type { Receiver } from '../../contract/shapes/receiver.ts';
import { standInReceiver } from '../../contract/stand-in-receiver.ts';
import { useRelease } from '../page/page-context.tsx';
import { useMoments } from '../page/use-moments.ts';
import { isUntold, lastRelease, standingInWords } from '../receivers/receiver-words.ts';
import { CallLog } from './CallLog.tsx';
import { StandInReceiver } from './StandInReceiver.tsx';

/** One receiver: how it stands, what can be done with it, and its calls. */
export function ReceiverRow({
  receiver,
  busy,
  test,
  again,
  changeSecret,
  remove,
}: {
  receiver: Receiver;
  busy: boolean;
  test: () => Promise<void>;
  again: () => Promise<void>;
  changeSecret: () => Promise<void>;
  remove: () => Promise<void>;
}) {
  const write = useMoments();
  const [open, setOpen] = useState(false);
  const { address, calls, leftAt } = receiver;
  const last = lastRelease(receiver);
  const release = useRelease()?.number ?? null;
  const told = leftAt === null && last?.state === 'arrived' && last.release === release;
  const logId = `calls-of-${receiver.id}`;
  const action = (text: string, does: () => Promise<void>) => (
    <button
      type="button"
      className="btn btn-xs"
      aria-label={`${text}: ${address}`}
      disabled={busy}
      onClick={() => void does()}
    >
      {text}
    </button>
  );
  return (
    <li className="border-b border-hairline py-1.5 leading-7" data-testid="receiver">
      <p className="break-words">
        <strong className="font-semibold">{address}</strong>{' '}
        <span className={isUntold(receiver) ? 'text-error' : ''}>{standingInWords(receiver, write)}</span>{' '}
        {address === standInReceiver && <StandInReceiver />}
      </p>
      <p className="flex flex-wrap items-baseline gap-2">
        {release !== null && !told && action(leftAt === null ? 'Tell it now' : 'Tell it again', again)}
        {action('Call it for a test', async () => {
          await test();
          setOpen(true);
        })}
        {action('Make another secret', changeSecret)}
        {action('Remove', remove)}
        {calls.length > 0 && (
          <button
            type="button"
            className="btn btn-xs btn-ghost"
            aria-expanded={open}
            aria-controls={logId}
            onClick={() => setOpen(!open)}
          >
            {open ? 'Hide its calls' : 'Show its calls'}
          </button>
        )}
      </p>
      <div id={logId}>{open && <CallLog calls={calls} />}</div>
    </li>
  );
}
