import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { OwnAccount } from '../../contract/shapes/account.ts';
import type { PageProps } from '../../contract/page.ts';
import { roleInWords } from '../../core/people/roles.ts';
import { Alert } from '../../ui/Alert.tsx';
import { TypedField, type Parsed } from '../../ui/TypedField.tsx';
import { Frame } from '../frame/Frame.tsx';
import { part } from '../page/parts.ts';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';
import { Codes } from './Codes.tsx';
import { longestName, longestPassword, passwordHint } from './limits.ts';
import { Passkeys } from './Passkeys.tsx';
import { Provider } from './Provider.tsx';
import { TextLine } from './TextLine.tsx';

/** One’s own account: name, password, codes, and where one is signed in. */
export default function AccountPage({ props }: { props: PageProps & { account: OwnAccount | null } }) {
  return (
    <Frame stop="account" props={props}>
      <div className="px-5 py-3">
        <h1 className="text-head">Your account</h1>
        {props.account ? (
          <Account initial={props.account} />
        ) : (
          <p className="max-w-[44rem] py-1 text-lead">
            You have none, and need none: nobody signs in here, and whoever sits at this machine may everything. For a
            team, open the link that Summant prints when it starts: it makes the first account.
          </p>
        )}
      </div>
    </Frame>
  );
}

const parseName = (text: string): Parsed<string> =>
  text.trim() !== '' && text.length <= longestName
    ? { ok: true, value: text.trim() }
    : { ok: false, reason: `A name of at most ${longestName} characters.` };

function Account({ initial }: { initial: OwnAccount }) {
  const [account, setAccount] = useState(initial);
  const { problem, ask } = useAsking();
  const take = (next: OwnAccount | null): void => {
    if (next) setAccount(next);
  };
  return (
    <>
      <p className="py-1 text-lead">
        You are{' '}
        <TypedField
          label="Your name"
          shown={account.name}
          parse={parseName}
          show={() => {}}
          commit={(name) => void ask(() => call('PUT /api/account', { body: { name } })).then(take)}
        />
        , and sign in as <strong>{account.signIn}</strong>. You may {roleInWords[account.role]}.
      </p>
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      <div className="flex flex-wrap gap-x-6">
        <section ref={part('password')} className="mt-3 w-[25rem] max-w-full" aria-label="Password">
          {account.hasPassword ? <Password changed={setAccount} /> : <NoPassword account={account} />}
        </section>
        <section ref={part('recovery codes')} className="mt-3 w-[25rem] max-w-full" aria-label="Recovery codes">
          <NewCodes
            left={account.codesLeft}
            hasPassword={account.hasPassword}
            made={(codesLeft) => setAccount({ ...account, codesLeft })}
          />
        </section>
        {account.hasPassword && (
          <section ref={part('passkeys')} className="mt-3 w-[25rem] max-w-full" aria-label="Passkeys">
            <Passkeys passkeys={account.passkeys} take={take} />
          </section>
        )}
        {account.provider && (
          <section ref={part('provider')} className="mt-3 w-[25rem] max-w-full" aria-label="Provider">
            <Provider provider={account.provider} hasPassword={account.hasPassword} take={take} />
          </section>
        )}
      </div>
      <section ref={part('sessions')} className="mt-6" aria-label="Sessions">
        <Sessions account={account} take={take} />
      </section>
    </>
  );
}

function Password({ changed }: { changed: (account: OwnAccount) => void }) {
  const [password, setPassword] = useState('');
  const [next, setNext] = useState('');
  const [done, setDone] = useState(false);
  const { busy, problem, ask } = useAsking();
  const faultOf = (pointer: string) => problem?.fields?.find((field) => field.pointer === pointer)?.message;
  const send = async () => {
    const account = await ask(() => call('PUT /api/account/password', { body: { password, next } }));
    setDone(account !== null);
    if (!account) return;
    changed(account);
    setPassword('');
    setNext('');
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      data-testid="change-password"
    >
      <h2 className="text-title">Password</h2>
      <TextLine
        name="Of now"
        kind="password"
        value={password}
        change={setPassword}
        autoComplete="current-password"
        fault={faultOf('/password')}
        maxLength={longestPassword}
        testId="password"
      />
      <TextLine
        name="From now on"
        kind="password"
        value={next}
        change={setNext}
        autoComplete="new-password"
        hint={passwordHint}
        fault={faultOf('/next')}
        maxLength={longestPassword}
        testId="next-password"
      />
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      <button type="submit" className="btn btn-sm mt-2" disabled={busy} data-testid="set-password">
        Set it
      </button>
      <span role="status" className="ml-3 text-soft">
        {done && 'It is set; everywhere else you are signed out.'}
      </span>
    </form>
  );
}

function NoPassword({ account: { provider } }: { account: OwnAccount }) {
  return (
    <>
      <h2 className="text-title">Password</h2>
      <p>
        {`You have none: ${provider?.name ?? 'a provider'} signs you in. With one of your recovery codes you can set one, where you sign in; with a password you can make new codes and add passkeys.`}
      </p>
    </>
  );
}

function NewCodes({ left, hasPassword, made }: { left: number; hasPassword: boolean; made: (left: number) => void }) {
  const [password, setPassword] = useState('');
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const { busy, problem, ask } = useAsking();
  const send = async () => {
    const answer = await ask(() => call('POST /api/account/recovery-codes', { body: { password } }));
    if (!answer) return;
    setCodes(answer.codes);
    setPassword('');
    made(answer.codes.length);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      data-testid="make-codes"
    >
      <h2 className="text-title">Recovery codes</h2>
      <p>
        {left === 1 ? '1 code is left.' : `${left} codes are left.`}
        {hasPassword && ' New ones take the place of all of these.'}
      </p>
      {codes && <Codes codes={codes} />}
      {hasPassword && (
        <>
          <TextLine
            name="Your password"
            kind="password"
            value={password}
            change={setPassword}
            autoComplete="current-password"
            maxLength={longestPassword}
            testId="password-for-codes"
          />
          {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
          <button type="submit" className="btn btn-sm mt-2" disabled={busy} data-testid="make-codes-now">
            Make new ones
          </button>
        </>
      )}
    </form>
  );
}

function Sessions({ account, take }: { account: OwnAccount; take: (next: OwnAccount | null) => void }) {
  const write = useMoments();
  const { busy, problem, ask } = useAsking();
  return (
    <>
      <h2 className="text-title">Where you are signed in</h2>
      <div className="overflow-x-auto">
        <table className="table table-xs" data-testid="sessions">
          <thead>
            <tr>
              <th scope="col">Browser</th>
              <th scope="col">Address</th>
              <th scope="col">Since</th>
              <th scope="col">Used last</th>
              <th scope="col">
                <span className="sr-only">What can be done</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {account.sessions.map(({ id, browser, address, madeAt, usedAt, here }) => (
              <tr key={id}>
                <td className="max-w-96 truncate" title={browser}>
                  {browser || 'does not say'}
                </td>
                <td>{address || 'not known'}</td>
                <td className="whitespace-nowrap">{write(madeAt)}</td>
                <td className="whitespace-nowrap">{write(usedAt)}</td>
                <td className="text-right">
                  {here ? (
                    'here'
                  ) : (
                    <button
                      type="button"
                      className="btn btn-xs"
                      disabled={busy}
                      onClick={() =>
                        void ask(() => call('DELETE /api/account/sessions/{id}', { params: { id } })).then(take)
                      }
                    >
                      End it
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      {account.sessions.length > 1 && (
        <button
          type="button"
          className="btn btn-sm mt-2"
          disabled={busy}
          onClick={() => void ask(() => call('DELETE /api/account/sessions')).then(take)}
          data-testid="end-others"
        >
          Sign out everywhere else
        </button>
      )}
    </>
  );
}
