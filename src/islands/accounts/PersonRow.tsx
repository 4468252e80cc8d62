import { useState } from 'react';
import type { People } from '../../contract/shapes/account.ts';
import { canBeLimited, type MarketLimit } from '../../core/people/market-limit.ts';
import type { Role } from '../../core/people/roles.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useMoments } from '../page/use-moments.ts';
import { MarketsPhrase } from './MarketsPhrase.tsx';
import { roleOptions } from './role-options.ts';

/** Somebody with an account, and what can be done about it. */
export function PersonRow({
  person: { id, name, signIn, role, markets, madeBy, madeAt, usedAt, self },
  busy,
  change,
  wayBack,
  remove,
}: {
  person: People['people'][number];
  busy: boolean;
  change: (allowed: { role: Role; markets: MarketLimit }) => Promise<void>;
  wayBack: () => Promise<void>;
  remove: () => Promise<void>;
}) {
  const [removing, setRemoving] = useState(false);
  const write = useMoments();
  return (
    <tr data-testid={`person-${id}`}>
      <td className="align-top">
        {name}
        {self && <span className="text-soft"> (you)</span>}
        <div className="text-fine text-soft">{signIn}</div>
      </td>
      <td className="align-top">
        <PhraseSelect
          label={`What ${name} may`}
          value={role}
          options={roleOptions}
          choose={(chosen) => void change({ role: chosen as Role, markets })}
        />{' '}
        {canBeLimited(role) && (
          <MarketsPhrase
            label={`Markets of ${name}`}
            limit={markets}
            busy={busy}
            choose={(next) => change({ role, markets: next })}
            testId={`markets-${id}`}
          />
        )}
      </td>
      <td className="align-top whitespace-nowrap">
        {write(madeAt)}
        <div className="text-fine text-soft">{`by ${madeBy}`}</div>
      </td>
      <td className="align-top whitespace-nowrap">{usedAt === null ? 'signed out' : write(usedAt)}</td>
      <td className="align-top text-right">
        {!removing ? (
          <>
            {!self && (
              <button type="button" className="btn btn-xs" disabled={busy} onClick={() => void wayBack()}>
                New password
              </button>
            )}{' '}
            <button type="button" className="btn btn-xs" onClick={() => setRemoving(true)}>
              Take away
            </button>
          </>
        ) : (
          <>
            {`${self ? 'You are' : `${name} is`} signed out everywhere, and the account does not come back. What was done under it stays. `}
            <button
              type="button"
              className="btn btn-error btn-xs"
              disabled={busy}
              onClick={() => void remove().then(() => setRemoving(false))}
            >
              Take away the account of {name}
            </button>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setRemoving(false)}>
              Leave it
            </button>
          </>
        )}
      </td>
    </tr>
  );
}
