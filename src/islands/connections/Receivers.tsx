import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { MadeReceiver, Receiver } from '../../contract/shapes/receiver.ts';
import { standInReceiver } from '../../contract/stand-in-receiver.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { useReceivers } from '../receivers/use-receivers.ts';
import { ReceiverRow } from './ReceiverRow.tsx';
import { Told } from './Told.tsx';

/** Systems of the shop that are told of each release. */
export function Receivers({ initial }: { initial: readonly Receiver[] }) {
  const { receivers, take, ask: look } = useReceivers(initial);
  const { busy, problem, ask } = useAsking();
  const [made, setMade] = useState<MadeReceiver | null>(null);
  const [address, setAddress] = useState('');
  const takeMade = async (next: MadeReceiver | null): Promise<boolean> => {
    if (!next) return false;
    setMade(next);
    await look();
    return true;
  };
  const add = async (at: string) => takeMade(await ask(() => call('POST /api/receivers', { body: { address: at } })));
  const takeAll = (answer: { receivers: Receiver[] } | null) => void (answer && take(answer.receivers));
  return (
    <>
      <h2 className="text-title">Receivers</h2>
      <p className="max-w-[52rem] py-1">
        Systems of the shop that are told of each release, so that they forget what they have kept. Calls are signed
        (RFC 9421, HMAC-SHA-256 over address, moment and content); what does not arrive is told again for a day.
      </p>
      {receivers!.length === 0 && <p className="text-soft">Nobody is told yet.</p>}
      <ul data-testid="receivers">
        {receivers!.map((receiver) => {
          const params = { id: receiver.id };
          return (
            <ReceiverRow
              key={receiver.id}
              receiver={receiver}
              busy={busy}
              test={async () => {
                await ask(() => call('POST /api/receivers/{id}/test', { params }));
                await look();
              }}
              again={async () => takeAll(await ask(() => call('POST /api/receivers/{id}/again', { params })))}
              changeSecret={async () =>
                void (await takeMade(await ask(() => call('POST /api/receivers/{id}/secret', { params }))))
              }
              remove={async () => takeAll(await ask(() => call('DELETE /api/receivers/{id}', { params })))}
            />
          );
        })}
      </ul>
      <form
        className="flex flex-wrap items-baseline gap-x-2 gap-y-1 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          void add(address.trim()).then((done) => done && setAddress(''));
        }}
      >
        <label className="inline-flex flex-wrap items-baseline gap-x-2">
          Tell
          <input
            className="field w-80 max-w-full text-start"
            aria-label="Address of a receiver"
            placeholder="https://shop.example.com/released"
            maxLength={400}
            value={address}
            onChange={(event) => setAddress(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-primary btn-xs" disabled={busy || address.trim() === ''}>
          Tell it of releases
        </button>
        {!receivers!.some((one) => one.address === standInReceiver) && (
          <button type="button" className="btn btn-xs" disabled={busy} onClick={() => void add(standInReceiver)}>
            Try the stand-in
          </button>
        )}
      </form>
      {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
      {made && (
        <Told
          what={`The secret of ${made.receiver.address}, hexadecimal`}
          text={made.secret}
          close={() => setMade(null)}
        />
      )}
    </>
  );
}
