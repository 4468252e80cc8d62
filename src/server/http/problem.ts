import type { Problem as ProblemBody } from '../../contract/shapes/problem.ts';
import { isUnavailable } from '../database/unavailable.ts';
import { log } from '../log.ts';
import { InvalidStoredPolicy } from '../policy/stored-policy.ts';

/** A problem on its way out, with the headers that go with it. */
export interface Problem extends Omit<ProblemBody, 'type'> {
  headers?: Record<string, string>;
}

/** Thrown by request readers; answered as it is. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }
}

/** Whether what an endpoint answers is a problem rather than what was asked for. */
export const isProblem = (outcome: object): outcome is Problem => 'title' in outcome && 'detail' in outcome;

/** What of a problem is sent. */
export const problemBody = ({ headers: _, ...problem }: Problem): ProblemBody => ({ type: 'about:blank', ...problem });

/** An RFC 9457 answer. */
export function problemResponse(problem: Problem): Response {
  const { status, headers } = problem;
  return new Response(JSON.stringify(problemBody(problem)), {
    status,
    headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...headers },
  });
}

export function json(body: unknown, init: { status?: number; headers?: Record<string, string> } = {}): Response {
  return new Response(JSON.stringify(body), {
    status: init.status ?? 200,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers },
  });
}

/** Runs an endpoint; whatever goes wrong is answered as a problem. */
export async function answering(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    return answerTo(error);
  }
}

/** What went wrong, as a problem that says what to do and gives nothing away. */
export function answerTo(error: unknown): Response {
  if (error instanceof ProblemError) return problemResponse(error.problem);
  if (error instanceof InvalidStoredPolicy)
    return problemResponse({
      status: 409,
      title: 'The draft needs to be repaired',
      detail:
        'What is stored is not a policy that can be computed with. Nothing was changed. POST /api/draft/repair goes back to the newest state that is valid.',
      fields: error.faults.slice(0, 20),
    });
  const known = knownFailure(error);
  if (known) {
    log.warn({ err: error instanceof Error ? error.message : String(error) }, 'request refused');
    return problemResponse(known);
  }
  if (isUnavailable(error)) return problemResponse(databaseAway);
  log.error(
    { err: error instanceof Error ? { message: error.message, stack: error.stack } : String(error) },
    'request failed',
  );
  return problemResponse({
    status: 500,
    title: 'Something went wrong here',
    detail: 'The request could not be answered. Nothing was changed. The log of the server says more.',
  });
}

interface Failure {
  code: string;
  text: string;
  /** of a line to the database: those that break carry `fatal` */
  ofDatabase: boolean;
}

const diskFull = new Set(['ENOSPC', 'ER_DISK_FULL', 'ER_RECORD_FILE_FULL']);
const databaseBusy = new Set(['ER_STATEMENT_TIMEOUT', 'ER_LOCK_WAIT_TIMEOUT', 'ER_LOCK_DEADLOCK']);
const lineBroke = new Set(['EPIPE', 'ECONNABORTED', 'ERR_STREAM_PREMATURE_CLOSE']);

const busy: Problem = {
  status: 503,
  title: 'The database has too much to do',
  detail: 'Nothing was changed. Try again in a moment.',
  headers: { 'retry-after': '1' },
};

/** What goes wrong outside of this program, and what it is told as. */
const knownFailures: [is: (failure: Failure) => boolean, problem: Problem][] = [
  [
    ({ code, text }) => diskFull.has(code) || /No space left on device|errno: 28\b/i.test(text),
    {
      status: 507,
      title: 'The disk is full',
      detail:
        'What was sent could not be kept; everything from before is. Make room on the disk that holds the data, then send it again.',
    },
  ],
  [
    ({ code }) => code === 'ER_NET_PACKET_TOO_LARGE',
    {
      status: 413,
      title: 'This is more than the database takes at once',
      detail: 'Nothing was changed. Raise max_allowed_packet of the database to 64M or more, or send less.',
    },
  ],
  [({ code, text }) => databaseBusy.has(code) || /Queue limit reached/.test(text), busy],
  [
    ({ code, text, ofDatabase }) => !ofDatabase && (lineBroke.has(code) || /aborted|terminated/i.test(text)),
    {
      status: 400,
      title: 'The line broke',
      detail: 'The body did not come to its end. Nothing of it was kept. Send it again.',
    },
  ],
];

/** A failure outside of this program, told as what it is; null for anything else. */
function knownFailure(error: unknown): Problem | null {
  const isObject = typeof error === 'object' && error !== null;
  const failure = {
    code: isObject && 'code' in error ? String(error.code) : '',
    text: error instanceof Error ? error.message : '',
    ofDatabase: isObject && 'fatal' in error,
  };
  return knownFailures.find(([is]) => is(failure))?.[1] ?? null;
}

export const databaseAway: Problem = {
  status: 503,
  title: 'The database cannot be reached',
  detail: 'Nothing was changed. Try again in a moment; if it lasts, restart Summant.',
  headers: { 'retry-after': '1' },
};
