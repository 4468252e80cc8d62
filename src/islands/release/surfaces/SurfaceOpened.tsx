import { useEffect, useState } from 'react';
import { call } from '../../../client/http.ts';
import type { StatementFound, SurfaceCompared, SurfaceStanding } from '../../../contract/shapes/surface.ts';
import type { Surface } from '../../../core/policy/types.ts';
import { Alert } from '../../../ui/Alert.tsx';
import { useAsking } from '../../page/use-asking.ts';
import { useRelease } from '../../page/page-context.tsx';
import { HandIn } from './HandIn.tsx';
import { MarkedText } from './MarkedText.tsx';
import { NewText } from './NewText.tsx';
import { SurfaceFields } from './SurfaceFields.tsx';
import { verdictInWords } from './surface-words.ts';

/** So many statements are listed. */
const mostListed = 30;

/** A surface with what it says, the new text beside it, and what can be done about it. */
export default function SurfaceOpened({
  id,
  surface,
  standing,
  take,
}: {
  id: string;
  surface: Surface;
  standing: SurfaceStanding | null;
  take: (standing: SurfaceStanding) => void;
}) {
  const [compared, setCompared] = useState<SurfaceCompared | null>(null);
  const { busy, problem, ask } = useAsking();
  const release = useRelease()?.number ?? null;
  const state = standing?.state ?? null;
  useEffect(() => {
    // One that has just been added is not known there before it is saved.
    if (state === null) return;
    let over = false;
    void call('GET /api/surfaces/{id}', { params: { id } }).then((answer) => {
      if (!over && answer.ok) setCompared(answer.body);
    });
    return () => {
      over = true;
    };
  }, [id, release, state]);
  const show = (answer: SurfaceCompared | null) => {
    if (!answer) return;
    setCompared(answer);
    take(answer.standing);
  };
  const params = { id };
  return (
    <div className="mt-2 grid gap-x-6 gap-y-2 sm:pl-39 xl:grid-cols-2">
      <div className="min-w-0">
        {compared && <WhatItSays compared={compared} surface={surface} />}
        <div className="mt-2 flex flex-wrap items-baseline gap-1">
          {surface.address !== undefined && (
            <button
              type="button"
              className="btn btn-sm"
              disabled={busy}
              onClick={() => void ask(() => call('POST /api/surfaces/{id}/fetch', { params })).then(show)}
              data-testid="surface-fetch"
            >
              Compare again
            </button>
          )}
          <button
            type="button"
            className="btn btn-sm"
            disabled={busy || release === null || state === 'byHand'}
            onClick={() => void ask(() => call('POST /api/surfaces/{id}/done', { params })).then(show)}
            data-testid="surface-done"
          >
            Done by hand
          </button>
        </div>
        {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
        <HandIn
          busy={busy || state === null}
          handIn={async (body) => show(await ask(() => call('PUT /api/surfaces/{id}/text', { params, body })))}
        />
      </div>
      <div className="min-w-0">
        <NewText surface={surface} />
        <SurfaceFields id={id} surface={surface} />
      </div>
    </div>
  );
}

/** Its text with what it states marked, and what of that is not right, one after another, with what it should say. */
function WhatItSays({ compared, surface }: { compared: SurfaceCompared; surface: Surface }) {
  const { text, found, rightRows } = compared;
  const wrong = found.filter(({ verdict }) => verdict !== 'right');
  const [chosen, setChosen] = useState<StatementFound | null>(null);
  const at = chosen && found.includes(chosen) ? chosen : (wrong[0] ?? null);
  return (
    <>
      {text !== '' && (
        <MarkedText text={text} found={found} at={at?.start ?? 0} language={surface.languages[0] ?? ''} />
      )}
      {text === '' && rightRows === 0 && (
        <p className="text-soft">
          Nothing has been read of it yet. {surface.address ? 'Compare it' : 'Give it an address or paste what it says'}
          .
        </p>
      )}
      {rightRows > 0 && <p>{rightRows} rows are right.</p>}
      <ul className="mt-1" data-testid="statements">
        {wrong.slice(0, mostListed).map((one) => (
          <li key={`${one.start} ${one.kind}`} className={one.verdict === 'stale' ? 'text-error' : ''}>
            <button
              type="button"
              className="link min-h-6 text-start font-semibold"
              title="Show where it says so"
              dir="auto"
              onClick={() => setChosen(one)}
            >
              {text.slice(one.start, one.end)}
            </button>{' '}
            {verdictInWords(one)}
          </li>
        ))}
        {wrong.length > mostListed && <li className="text-soft">And {wrong.length - mostListed} more.</li>}
      </ul>
    </>
  );
}
