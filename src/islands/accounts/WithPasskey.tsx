import { startAuthentication } from '@simplewebauthn/browser';
import { useState } from 'react';
import { call } from '../../client/http.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { notMade } from './passkey-words.ts';

/** The way in without a password. */
export function WithPasskey({ next }: { next: string }) {
  const [refused, setRefused] = useState<string | null>(null);
  const { busy, problem, ask } = useAsking();
  const show = async () => {
    setRefused(null);
    const wanted = await ask(() => call('POST /api/sign-in/passkey/options'));
    if (!wanted) return;
    const response = await startAuthentication({ optionsJSON: wanted.options }).catch((error: unknown) => {
      setRefused(notMade(error));
      return null;
    });
    if (response && (await ask(() => call('POST /api/sign-in/passkey', { body: { response } }))))
      window.location.assign(next);
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-sm mt-3"
        disabled={busy}
        onClick={() => void show()}
        data-testid="with-passkey"
      >
        Use a passkey
      </button>
      {problem && <Alert className="my-2">{`${problem.title}. ${problem.detail}`}</Alert>}
      {refused && <Alert className="my-2">{refused}</Alert>}
    </>
  );
}
