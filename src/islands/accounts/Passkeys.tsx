import { startRegistration } from '@simplewebauthn/browser';
import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { OwnAccount } from '../../contract/shapes/account.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';
import { longestName, longestPassword } from './limits.ts';
import { notMade } from './passkey-words.ts';
import { TextLine } from './TextLine.tsx';

/** Passkeys of one’s account, and how one is added: the browser asks for a finger, a face or a PIN. */
export function Passkeys({
  passkeys,
  take,
}: {
  passkeys: OwnAccount['passkeys'];
  take: (next: OwnAccount | null) => void;
}) {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [refused, setRefused] = useState<string | null>(null);
  const { busy, problem, ask } = useAsking();
  const write = useMoments();
  const add = async () => {
    setRefused(null);
    const wanted = await ask(() => call('POST /api/account/passkeys/options', { body: { password } }));
    if (!wanted) return;
    const response = await startRegistration({ optionsJSON: wanted.options }).catch((error: unknown) => {
      setRefused(notMade(error));
      return null;
    });
    if (!response) return;
    const account = await ask(() => call('POST /api/account/passkeys', { body: { name, response } }));
    take(account);
    if (!account) return;
    setName('');
    setPassword('');
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
      data-testid="passkeys"
    >
      <h2 className="text-title">Passkeys</h2>
      <p>A passkey signs you in without a password: by a finger, a face or a PIN, on a device that you carry.</p>
      <ul className="py-1">
        {passkeys.map(({ id, name: known, madeAt, usedAt }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-2 border-b border-hairline py-1">
            <span className="flex-1">
              {known}
              <span className="block text-fine text-soft">
                {`since ${write(madeAt)}, ${usedAt === null ? 'not used yet' : `used ${write(usedAt)}`}`}
              </span>
            </span>
            <button
              type="button"
              className="btn btn-xs"
              disabled={busy}
              aria-label={`Take away the passkey ${known}`}
              onClick={() => void ask(() => call('DELETE /api/account/passkeys/{id}', { params: { id } })).then(take)}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      <TextLine
        name="Name of a new one"
        value={name}
        change={setName}
        autoComplete="off"
        hint="Such as the device that it is on."
        maxLength={longestName}
        testId="passkey-name"
      />
      <TextLine
        name="Your password"
        kind="password"
        value={password}
        change={setPassword}
        autoComplete="current-password"
        maxLength={longestPassword}
        testId="password-for-passkey"
      />
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      {refused && <Alert className="my-1">{refused}</Alert>}
      <button type="submit" className="btn btn-sm mt-2" disabled={busy} data-testid="add-passkey">
        Add it
      </button>
    </form>
  );
}
