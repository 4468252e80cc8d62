import { randomUUID } from 'node:crypto';
import type { ImportRequest, ImportRun } from '../../contract/shapes/import.ts';
import { missingIn } from '../../core/imports/mapping.ts';
import type { Person } from '../accounts/person.ts';
import { readDraft } from '../draft/draft-store.ts';
import { ProblemError } from '../http/problem.ts';
import { resumeImports } from './apply.ts';
import {
  addRun,
  leaseReading,
  findRun,
  endReadingLease,
  openRuns,
  noteRun,
  publicRun,
  rejectionsOf,
  rememberMapping,
  type FullImportRun,
} from './import-store.ts';
import { readFileInto, ReadingStopped } from './read-file.ts';
import { dropStaging } from './staging.ts';

/** Files that one process reads at once; more would keep each other from the database. */
const mostReading = 4;
let readingNow = 0;
/** Imports that are read or wait for confirmation, of all and of one who is signed in. */
const mostOpen = 40;
const mostOfOne = 10;

/** An import as calls answer it. */
interface ImportReply {
  status: 200 | 201 | 202;
  body: ImportRun;
}

/** @throws ProblemError 404 */
export async function runOr404(id: string | undefined): Promise<FullImportRun> {
  const run = /^\d{1,9}$/.test(id ?? '') ? await findRun(Number(id)) : null;
  if (!run)
    throw new ProblemError({
      status: 404,
      title: 'There is no such import',
      detail: '/api/imports lists those there are.',
    });
  return run;
}

/** Announces a file: how it will be read. Remembered for the next file with this heading. */
export async function beginImport(
  { fileName, fileBytes, heading, mapping }: ImportRequest,
  { name: madeBy, signedIn }: Pick<Person, 'name' | 'signedIn'>,
): Promise<ImportReply> {
  const missing = missingIn(mapping);
  if (missing.length > 0)
    throw new ProblemError({
      status: 422,
      title: 'The file cannot be read like this',
      detail: `There is no ${missing.join('; ')}. Nothing was changed.`,
      fields: [{ pointer: '/mapping/columns', message: `needs ${missing.join('; ')}` }],
    });
  const { policy } = await readDraft();
  const astray = Object.entries(mapping.columns).find(([, at]) => at >= heading.length);
  if (astray)
    throw new ProblemError({
      status: 422,
      title: 'The file cannot be read like this',
      detail: 'A field is to be read from a column that the heading does not have. Nothing was changed.',
      fields: [{ pointer: `/mapping/columns/${astray[0]}`, message: `must be below ${heading.length}` }],
    });
  if (mapping.market !== null && !Object.hasOwn(policy.markets, mapping.market))
    throw new ProblemError({
      status: 422,
      title: 'The file cannot be read like this',
      detail: 'The market that all orders are said to be of is not in the draft. Nothing was changed.',
      fields: [{ pointer: '/mapping/market', message: `must be one of: ${Object.keys(policy.markets).join(', ')}` }],
    });
  if ((await openRuns()) >= mostOpen)
    throw new ProblemError({
      status: 409,
      title: 'Too many imports are open',
      detail: `${mostOpen} files are being read or wait to be taken over. Take some over or cancel them. Nothing was changed.`,
    });
  if (signedIn && (await openRuns(madeBy)) >= mostOfOne)
    throw new ProblemError({
      status: 409,
      title: 'You have too many imports open',
      detail: `${mostOfOne} of your files are being read or wait to be taken over. Take some over or cancel them. Nothing was changed.`,
    });
  await rememberMapping(mapping, heading);
  const id = await addRun({ fileName, fileBytes, mapping, heading }, madeBy);
  return answerRun(id, 201);
}

/** Reads the file as it comes in and says what importing it would do. */
export async function takeFile(run: FullImportRun, request: Request): Promise<ImportReply> {
  const reader = randomUUID();
  if (run.state !== 'reading' || run.bytesRead > 0 || !(await leaseReading(run.id, reader)))
    throw new ProblemError({
      status: 409,
      title: 'The file of this import is being read or has been',
      detail: 'Nothing was changed. Begin another import to read a file again.',
    });
  const { body } = request;
  if (readingNow >= mostReading) {
    await endReadingLease(run.id, reader);
    if (body) await readAway(body);
    throw new ProblemError({
      status: 429,
      title: 'Several files are being read',
      detail: `At most ${mostReading} are read at once. Nothing was changed. Send the file again in a moment.`,
      headers: { 'retry-after': '5' },
    });
  }
  readingNow++;
  try {
    const { policy } = await readDraft();
    await readFileInto(run, policy, body ? chunksOf(body) : noBytes());
  } catch (error) {
    if (body) await readAway(body);
    if (error instanceof ReadingStopped)
      throw new ProblemError({ status: 409, title: 'The import was stopped', detail: error.message });
    throw error;
  } finally {
    readingNow--;
  }
  return answerRun(run.id);
}

async function* noBytes(): AsyncGenerator<Uint8Array> {}

/** A stream's chunks; whoever stops reading them leaves the rest to be read. */
const chunksOf = (body: ReadableStream<Uint8Array>): AsyncIterable<Uint8Array> =>
  (body as unknown as { values: (options: { preventCancel: boolean }) => AsyncIterable<Uint8Array> }).values({
    preventCancel: true,
  });

/** How long the rest of a file is still taken in after it has been given up. ms */
const timeout = 10_000;

/**
 * Takes in what a sender still has to send: whoever is cut off in the middle of sending sees a broken line and never the
 * answer that says why.
 */
async function readAway(body: ReadableStream<Uint8Array>): Promise<void> {
  const until = performance.now() + timeout;
  try {
    for await (const _chunk of chunksOf(body)) if (performance.now() > until) break;
    await body.cancel();
  } catch {
    // The sender has gone away: nobody waits for an answer.
  }
}

export async function confirmImport(run: FullImportRun): Promise<ImportReply> {
  if (!(await noteRun(run.id, 'checked', { state: 'applying' })))
    throw new ProblemError({
      status: 409,
      title: 'This import cannot be taken over',
      detail: 'Only one that has been checked can. Nothing was changed.',
    });
  void resumeImports();
  return answerRun(run.id, 202);
}

/** Stops an import wherever it is. What has been applied is reverted. */
export async function cancelImport(run: FullImportRun): Promise<ImportReply> {
  if (await noteRun(run.id, 'applying', { state: 'reverting' })) void resumeImports();
  else if (await noteRun(run.id, 'checked', { state: 'cancelled' })) await dropStaging(run.id);
  // One whose file is being read is cleared away by who reads it.
  else if (!(await noteRun(run.id, 'reading', { state: 'cancelled' })))
    throw new ProblemError({
      status: 409,
      title: 'This import has ended',
      detail: 'There is nothing left to cancel. Nothing was changed.',
    });
  return answerRun(run.id, 202);
}

export async function answerRun(id: number, status: ImportReply['status'] = 200): Promise<ImportReply> {
  const run = (await findRun(id))!;
  return { status, body: { ...publicRun(run), rejections: run.rejected > 0 ? await rejectionsOf(id, 20) : [] } };
}
