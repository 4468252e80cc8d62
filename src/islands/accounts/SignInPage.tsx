import { useState } from 'react';
import { call, type Answer, type HttpProblem } from '../../client/http.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { Bare } from './Bare.tsx';
import { longestPassword, longestSignIn, passwordHint } from './limits.ts';
import { TextLine } from './TextLine.tsx';
import { WithPasskey } from './WithPasskey.tsx';
import { WithProvider } from './WithProvider.tsx';

/** Where people sign in. */
export default function SignInPage({
  next,
  accounts,
  provider,
}: {
  /** where they were going */
  next: string;
  /** false: nobody has an account yet */
  accounts: boolean;
  /** by whom they can sign in */
  provider: string | null;
}) {
  const [forgotten, setForgotten] = useState(false);
  if (!accounts)
    return (
      <Bare title="Nobody signs in here yet">
        <p>
          Summant serves the machine that it runs on, and whoever sits there may everything. When it starts it prints a
          link that makes the first account; from then on people sign in.
        </p>
        <p className="pt-3">
          <a className="link link-primary" href="/offers">
            Go to Offers
          </a>
        </p>
      </Bare>
    );
  return (
    <Bare title={forgotten ? 'Set a new password' : 'Sign in'}>
      <SignInForm key={String(forgotten)} forgotten={forgotten} next={next} />
      {!forgotten && (
        <div className="flex flex-wrap gap-x-3">
          <WithPasskey next={next} />
          {provider !== null && <WithProvider name={provider} next={next} />}
        </div>
      )}
      <p className="pt-4">
        <button type="button" className="btn btn-ghost btn-xs -ml-2" onClick={() => setForgotten(!forgotten)}>
          {forgotten ? 'I know my password' : 'I have forgotten my password'}
        </button>
      </p>
      {forgotten && (
        <p className="text-small text-soft">
          Passkeys and other ways in end with the password of before. Without a code, ask whoever owns the store: at
          People there is a link for that.
        </p>
      )}
    </Bare>
  );
}

const faultOf = (problem: HttpProblem | null, pointer: string): string | undefined =>
  problem?.fields?.find((field) => field.pointer === pointer)?.message;

function SignInForm({ forgotten, next }: { forgotten: boolean; next: string }) {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const { busy, problem, ask } = useAsking();
  const send = async () => {
    const signedIn = await ask((): Promise<Answer<unknown>> =>
      forgotten
        ? call('POST /api/sign-in/recovery', { body: { signIn, code, password } })
        : call('POST /api/sign-in', { body: { signIn, password } }),
    );
    if (signedIn) window.location.assign(next);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      data-testid="sign-in"
    >
      <TextLine
        name="Sign in as"
        value={signIn}
        change={setSignIn}
        autoComplete="username"
        maxLength={longestSignIn}
        testId="sign-in-as"
      />
      {forgotten && (
        <TextLine
          name="One of your recovery codes"
          value={code}
          change={setCode}
          autoComplete="one-time-code"
          maxLength={40}
          testId="recovery-code"
        />
      )}
      <TextLine
        name={forgotten ? 'New password' : 'Password'}
        kind="password"
        value={password}
        change={setPassword}
        autoComplete={forgotten ? 'new-password' : 'current-password'}
        {...(forgotten ? { hint: passwordHint } : {})}
        fault={faultOf(problem, '/password')}
        maxLength={longestPassword}
        testId="password"
      />
      {problem && <Alert className="my-2">{`${problem.title}. ${problem.detail}`}</Alert>}
      <button type="submit" className="btn btn-primary btn-sm mt-3" disabled={busy} data-testid="sign-in-now">
        {forgotten ? 'Set it, and sign in' : 'Sign in'}
      </button>
    </form>
  );
}
