import { signOut } from '../../client/signing-out.ts';
import type { PagePerson } from '../../contract/page.ts';
import { inMarkets } from '../../core/people/market-limit.ts';
import { may, roleInWords } from '../../core/people/roles.ts';
import { usePolicy } from '../page/draft-context.tsx';

/** What somebody who is signed in may do, and what that leads to. */
export default function PersonPanel({ person: { name, role, markets } }: { person: PagePerson }) {
  return (
    <span className="flex w-60 flex-col items-start gap-1 p-3">
      <strong>{name}</strong>
      <span className="pb-1 text-small text-soft">
        You may {roleInWords[role]}
        {markets !== null && <Limit markets={markets} />}.
      </span>
      <a className="link link-primary" href="/account">
        Your account
      </a>
      {may(role, 'own') && (
        <>
          <a className="link link-primary" href="/people">
            People
          </a>
          <a className="link link-primary" href="/audit">
            Audit
          </a>
          <a className="link link-primary" href="/health">
            Health
          </a>
        </>
      )}
      <button type="button" className="btn btn-xs mt-1" onClick={signOut} data-testid="sign-out">
        Sign out
      </button>
    </span>
  );
}

/** Where it holds, of who is limited. */
function Limit({ markets }: { markets: readonly string[] }) {
  const known = usePolicy().markets;
  const names = markets.flatMap((id) => known[id]?.name ?? []);
  return <>{`, ${inMarkets(names)}`}</>;
}
