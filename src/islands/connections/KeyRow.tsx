import { useState } from 'react';
import type { AccessKey } from '../../contract/shapes/access-key.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField, type Parsed } from '../../ui/TypedField.tsx';
import { kinds } from './NewKey.tsx';
import { Origins } from './Origins.tsx';
import { useMoments } from '../page/use-moments.ts';

const overlaps = [
  ['0', 'at once'],
  ['1', 'in an hour'],
  ['24', 'in a day'],
  ['168', 'in a week'],
  ['720', 'in 30 days'],
] as const;

const parseName = (text: string): Parsed<string> =>
  text.trim() !== '' && text.length <= 80
    ? { ok: true, value: text.trim() }
    : { ok: false, reason: 'A name of at most 80 characters.' };

/** A key with its name and origins, and what can be done with it. */
export function KeyRow({
  accessKey: { id, name, kind, origins, madeAt, endsAt, live, followedBy, usedAt },
  busy,
  save,
  rotate,
  revoke,
}: {
  accessKey: AccessKey;
  busy: boolean;
  save: (body: Pick<AccessKey, 'name' | 'origins'>) => Promise<void>;
  rotate: (overlapHours: number) => Promise<void>;
  revoke: () => Promise<void>;
}) {
  const [asked, setAsked] = useState<'rotate' | 'revoke' | null>(null);
  const [overlap, setOverlap] = useState('24');
  const write = useMoments();
  const close = () => setAsked(null);
  return (
    <tr className={live ? '' : 'text-soft'} data-testid={`key-${id}`}>
      <td className="align-top">
        {!live ? (
          name
        ) : (
          <TypedField
            label={`Name of the key ${name}`}
            shown={name}
            parse={parseName}
            show={() => {}}
            commit={(next) => void save({ name: next, origins })}
          />
        )}
        <div className="text-fine text-soft">{id}…</div>
      </td>
      <td className="align-top">
        {kinds.find(([one]) => one === kind)![1]}
        {kind === 'publishable' && (
          <div>
            {!live ? (
              origins.join(', ')
            ) : (
              <Origins of={name} origins={origins} change={(next) => void save({ name, origins: next })} />
            )}
          </div>
        )}
      </td>
      <td className="align-top whitespace-nowrap">{write(madeAt)}</td>
      <td className="align-top whitespace-nowrap">{usedAt === null ? 'not yet' : write(usedAt)}</td>
      <td className="align-top text-right">
        {endsAt !== null && <span>{!live ? `refused since ${write(endsAt)}` : `taken until ${write(endsAt)}`} </span>}
        {live && asked === null && (
          <>
            {followedBy === null && (
              <button type="button" className="btn btn-xs" onClick={() => setAsked('rotate')}>
                Rotate
              </button>
            )}{' '}
            <button type="button" className="btn btn-xs" onClick={() => setAsked('revoke')}>
              Revoke
            </button>
          </>
        )}
        {asked === 'rotate' && (
          <>
            Make one that takes its place; this one is refused{' '}
            <PhraseSelect label="When the old key is refused" value={overlap} options={overlaps} choose={setOverlap} />{' '}
            <button
              type="button"
              className="btn btn-primary btn-xs"
              disabled={busy}
              onClick={() => void rotate(Number(overlap)).then(close)}
            >
              Make it
            </button>
          </>
        )}
        {asked === 'revoke' && (
          <>
            Calls with it are refused at once, and it does not come back.{' '}
            <button
              type="button"
              className="btn btn-error btn-xs"
              disabled={busy}
              onClick={() => void revoke().then(close)}
            >
              Revoke {name}
            </button>
          </>
        )}
        {asked !== null && (
          <button type="button" className="btn btn-ghost btn-xs" onClick={close}>
            Leave it
          </button>
        )}
      </td>
    </tr>
  );
}
