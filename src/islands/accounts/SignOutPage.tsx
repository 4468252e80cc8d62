import { useEffect } from 'react';
import { call } from '../../client/http.ts';
import { takeSigningOut } from '../../client/signing-out.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { Bare } from './Bare.tsx';

/** Ends the session once the page that somebody was at is gone. */
export default function SignOutPage() {
  const { busy, problem, ask } = useAsking();
  const end = async () => {
    if (await ask(() => call('POST /api/sign-out'))) window.location.replace('/sign-in');
  };
  useEffect(() => {
    if (takeSigningOut()) void end();
    // Whoever comes here from another page has asked for it once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <Bare title={problem ? 'You may still be signed in' : 'Sign out'}>
      {problem && <Alert className="mb-3">{problem.title}.</Alert>}
      <p className="flex items-center gap-4">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={busy}
          onClick={() => void end()}
          data-testid="sign-out-now"
        >
          {busy ? 'One moment …' : 'Sign out'}
        </button>
        <a className="link link-primary" href="/">
          Stay signed in
        </a>
      </p>
    </Bare>
  );
}
