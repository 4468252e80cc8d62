import { useCallback, useEffect, useRef, useState } from 'react';
import { call, type HttpProblem } from '../../../client/http.ts';
import type { ImportKind } from '../../../core/imports/fields.ts';
import type { ImportRun } from '../../../contract/shapes/import.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { ImportList } from './ImportList.tsx';
import { isUnderWay, RunProgress } from './RunProgress.tsx';
import { part } from '../../page/parts.ts';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { Alert } from '../../../ui/Alert.tsx';

const ChooseFile = lazyPart(() => import('./ChooseFile.tsx'), <div className="h-24" />);

/** Importing a file, in place: choosing and mapping, the dry run, taking over; and what was imported before. */
export function ImportSection({
  open,
  setOpen,
  changed,
}: {
  open: ImportKind | null;
  setOpen: (kind: ImportKind | null) => void;
  changed: () => void;
}) {
  const [run, setRun] = useState<ImportRun | null>(null);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const sending = useRef<AbortController | null>(null);
  const told = useRef(changed);
  told.current = changed;

  const present = useRef<ImportRun | null>(null);
  present.current = run;
  const take = useCallback((next: ImportRun) => {
    const before = present.current;
    present.current = next;
    setRun(next);
    if (before?.id !== next.id) return;
    const taken = before.state !== 'done' && next.state === 'done';
    const reverted = before.state === 'reverting' && next.state === 'cancelled';
    if (taken || reverted) told.current();
  }, []);

  // One that is under way, or waits to be confirmed, is found again after a reload.
  useEffect(() => {
    void call('GET /api/imports').then((answer) => {
      const unfinished = answer.ok
        ? answer.body.imports.find((other) => isUnderWay(other) || other.state === 'checked')
        : undefined;
      // The list tells less than the import itself.
      if (unfinished)
        void call('GET /api/imports/{id}', { params: { id: unfinished.id } }).then((whole) =>
          setRun((present) => present ?? (whole.ok ? whole.body : unfinished)),
        );
    });
  }, []);

  const watched = run && isUnderWay(run) ? run.id : null;
  useEffect(() => {
    if (watched === null) return;
    const timer = setInterval(() => {
      void call('GET /api/imports/{id}', { params: { id: watched } }).then((answer) => answer.ok && take(answer.body));
    }, 400);
    return () => clearInterval(timer);
  }, [watched, take]);

  const send = async (file: File, heading: string[], mapping: ImportMapping) => {
    setProblem(null);
    const begun = await call('POST /api/imports', {
      body: { fileName: file.name.slice(0, 200) || 'file', fileBytes: file.size, heading, mapping },
    });
    if (!begun.ok) return setProblem(begun.problem);
    setRun(begun.body);
    const { signal } = (sending.current = new AbortController());
    const params = { id: begun.body.id };
    const answer = await call('PUT /api/imports/{id}/file', {
      params,
      file: { content: file, type: 'application/octet-stream', signal },
    });
    if (answer.ok) take(answer.body);
    else if (answer.problem.status !== 0) setProblem(answer.problem);
    else if (!signal.aborted)
      setProblem({
        status: 0,
        title: 'The file could not be sent to its end',
        detail: 'Nothing was changed. Check that Summant is running and choose the file again.',
      });
    const now = await call('GET /api/imports/{id}', { params });
    if (now.ok) take(now.body);
  };
  const step = async (what: 'apply' | 'cancel') => {
    if (!run) return;
    setProblem(null);
    const answer = await call(`POST /api/imports/{id}/${what}`, { params: { id: run.id } });
    if (what === 'cancel') sending.current?.abort();
    if (answer.ok) take(answer.body);
    else setProblem(answer.problem);
  };

  if (!open && !run) return null;
  return (
    <section
      ref={part('import')}
      aria-label="Import"
      className="my-2 border-y border-primary bg-base-200 px-4 py-3"
      data-testid="import"
    >
      {problem && (
        <Alert className="mb-2">
          {problem.title}. {problem.detail}
        </Alert>
      )}
      {run ? (
        <RunProgress
          run={run}
          apply={() => void step('apply')}
          cancel={() => void step('cancel')}
          close={() => {
            // The page holds the catalogue that it came with.
            if (run.kind === 'products' && run.state === 'done')
              return window.location.assign(window.location.pathname);
            setRun(null);
            setOpen(null);
          }}
          another={() => {
            setOpen(run.kind);
            setRun(null);
          }}
        />
      ) : (
        <>
          <ChooseFile
            key={open}
            kind={open!}
            send={(file, heading, mapping) => void send(file, heading, mapping)}
            close={() => setOpen(null)}
          />
          <ImportList />
        </>
      )}
    </section>
  );
}
