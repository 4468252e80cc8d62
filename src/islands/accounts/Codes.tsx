import { CopyButton } from '../../ui/CopyButton.tsx';
import { Bare } from './Bare.tsx';

/** Recovery codes, told once. */
export function Codes({ codes }: { codes: readonly string[] }) {
  return (
    <div role="status" className="my-2 max-w-[32rem] border-l-2 border-secondary pl-3" data-testid="codes">
      <p>
        Each of these codes takes the place of a forgotten password, once. They are shown this once: Summant keeps no
        copy that could be read. Print them, or keep them where you keep passwords.
      </p>
      <ul id="recovery-codes" className="grid grid-cols-2 gap-x-6 py-2 font-mono text-small">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ul>
      <CopyButton text={codes.join('\n')} what="The recovery codes" textId="recovery-codes" />
    </div>
  );
}

/** Those of an account that has just been made or found again, with the way on. */
export function CodesTold({ codes }: { codes: readonly string[] }) {
  return (
    <Bare title="That is done">
      <Codes codes={codes} />
      <p className="pt-3">
        <a className="btn btn-primary btn-sm" href="/offers" data-testid="go-on">
          I have them: go to Offers
        </a>
      </p>
    </Bare>
  );
}
