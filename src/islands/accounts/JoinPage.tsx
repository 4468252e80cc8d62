import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import type { AccountLink } from '../../contract/shapes/account.ts';
import { roleInWords } from '../../core/people/roles.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { Bare } from './Bare.tsx';
import { CodesTold } from './Codes.tsx';
import { longestName, longestPassword, longestSignIn, passwordHint } from './limits.ts';
import { TextLine } from './TextLine.tsx';

const titles: Record<AccountLink['kind'], string> = {
  first: 'Make the first account',
  invitation: 'Make your account',
  'way-back': 'Set a new password',
};

/** What a link leads to: an account is made, or found again. What the link is good for stands behind the #. @param provider by whom one can join */
export default function JoinPage({ provider }: { provider: string | null }) {
  const [token, setToken] = useState<string | null>(null);
  const [link, setLink] = useState<AccountLink | null>(null);
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const { problem, ask } = useAsking();
  useEffect(() => {
    const given = window.location.hash.slice(1);
    setToken(given);
    void ask(() => call('POST /api/links/look', { body: { token: given || '-' } })).then(setLink);
    // The link is looked at once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (codes) return <CodesTold codes={codes} />;
  if (!link || token === null)
    return <Bare title={problem ? problem.title : 'One moment …'}>{problem && <Alert>{problem.detail}</Alert>}</Bare>;
  return (
    <Bare title={titles[link.kind]}>
      <Says link={link} />
      <JoinForm link={link} token={token} provider={provider} done={setCodes} />
    </Bare>
  );
}

function Says({ link }: { link: AccountLink }) {
  if (link.kind === 'way-back')
    return (
      <p>{`Made by ${link.madeBy} for ${link.name}. All sessions of the account end, its passkeys and other ways in are taken away, and its recovery codes are made anew.`}</p>
    );
  if (link.kind === 'first')
    return (
      <p>
        From then on everyone signs in here, also on this machine. You will own the store: you may everything, and
        invite others.
      </p>
    );
  return (
    <p>{`${link.madeBy} invites you. You may ${roleInWords[link.role]}${link.limited ? ', in some markets' : ''}.`}</p>
  );
}

function JoinForm({
  link,
  token,
  provider,
  done,
}: {
  link: AccountLink;
  token: string;
  provider: string | null;
  done: (codes: readonly string[]) => void;
}) {
  const known = link.kind === 'way-back';
  const [name, setName] = useState(link.name);
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const { busy, problem, ask } = useAsking();
  const faultOf = (pointer: string) => problem?.fields?.find((field) => field.pointer === pointer)?.message;
  const send = async () => {
    const joined = await ask(() =>
      call('POST /api/links/use', { body: { token, name, signIn: known ? name : signIn, password } }),
    );
    if (joined) done(joined.codes);
  };
  const byProvider = async () => {
    const way = await ask(() => call('POST /api/links/provider', { body: { token, name, signIn } }));
    if (way) window.location.assign(way.address);
  };
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      data-testid="join"
    >
      {!known && (
        <>
          <TextLine
            name="Your name, as others see it"
            value={name}
            change={setName}
            autoComplete="name"
            maxLength={longestName}
            testId="name"
          />
          <TextLine
            name="Sign in as"
            value={signIn}
            change={setSignIn}
            autoComplete="username"
            hint="An e-mail address, or any other name that nobody else has here. No mail is sent."
            maxLength={longestSignIn}
            testId="sign-in-as"
          />
        </>
      )}
      <TextLine
        name={known ? 'New password' : 'Password'}
        kind="password"
        value={password}
        change={setPassword}
        autoComplete="new-password"
        hint={passwordHint}
        fault={faultOf('/password')}
        maxLength={longestPassword}
        testId="password"
      />
      {problem && <Alert className="my-2">{`${problem.title}. ${problem.detail}`}</Alert>}
      <button type="submit" className="btn btn-primary btn-sm mt-3" disabled={busy} data-testid="join-now">
        {known ? 'Set it, and sign in' : 'Make it, and sign in'}
      </button>
      {!known && provider !== null && (
        <p className="pt-4">
          <button
            type="button"
            className="btn btn-sm"
            disabled={busy || name.trim() === '' || signIn.trim() === ''}
            onClick={() => void byProvider()}
            data-testid="join-by-provider"
          >
            Make it by {provider}
          </button>
          <span className="block pt-1 text-small text-soft">{`Then ${provider} signs you in, and no password is needed.`}</span>
        </p>
      )}
    </form>
  );
}
