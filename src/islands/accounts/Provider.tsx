import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { OwnAccount } from '../../contract/shapes/account.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';
import { longestPassword } from './limits.ts';
import { TextLine } from './TextLine.tsx';

/** By whom of the provider one signs in, and how that begins and ends. */
export function Provider({
  provider: { name, connected },
  hasPassword,
  take,
}: {
  provider: NonNullable<OwnAccount['provider']>;
  hasPassword: boolean;
  take: (next: OwnAccount | null) => void;
}) {
  const [password, setPassword] = useState('');
  const { busy, problem, ask } = useAsking();
  const write = useMoments();
  const connect = async () => {
    const way = await ask(() => call('POST /api/account/provider', { body: { password } }));
    if (way) window.location.assign(way.address);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void connect();
      }}
      data-testid="provider"
    >
      <h2 className="text-title">{`Signing in by ${name}`}</h2>
      {connected ? (
        <>
          <p>
            As <strong>{connected.knownAs}</strong>
            <span className="block text-fine text-soft">
              {`since ${write(connected.madeAt)}, ${connected.usedAt === null ? 'not used yet' : `used ${write(connected.usedAt)}`}`}
            </span>
          </p>
          {hasPassword ? (
            <button
              type="button"
              className="btn btn-sm mt-2"
              disabled={busy}
              onClick={() => void ask(() => call('DELETE /api/account/provider')).then(take)}
              data-testid="disconnect"
            >
              End it
            </button>
          ) : (
            <p className="text-small text-soft">
              It is your only way in. To end it, set a password first: one of your recovery codes does that, where you
              sign in.
            </p>
          )}
        </>
      ) : (
        <>
          <p>{`You do not. Once connected, ${name} signs you in without your password here.`}</p>
          <TextLine
            name="Your password"
            kind="password"
            value={password}
            change={setPassword}
            autoComplete="current-password"
            maxLength={longestPassword}
            testId="password-for-provider"
          />
          <button type="submit" className="btn btn-sm mt-2" disabled={busy} data-testid="connect">
            Connect it
          </button>
        </>
      )}
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
    </form>
  );
}
