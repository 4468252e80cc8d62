import { isUnavailable } from '../database/pool.ts';
import { log } from '../log.ts';

/** A field that is wrong: where (JSON Pointer into the body) and what would be accepted. */
export interface ProblemField {
  pointer: string;
  message: string;
}

export interface Problem {
  status: number;
  title: string;
  /** what happened, what was kept, what to do */
  detail: string;
  fields?: ProblemField[];
  /** further members, such as the newer draft */
  more?: Record<string, unknown>;
  headers?: Record<string, string>;
}

/** Thrown by request readers; answered as it is. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
  }
}

/** An RFC 9457 answer. */
export function problemResponse({ status, title, detail, fields, more, headers }: Problem): Response {
  const body = { type: 'about:blank', title, status, detail, ...(fields ? { fields } : {}), ...more };
  return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...headers } });
}

export function json(body: unknown, init: { status?: number; headers?: Record<string, string> } = {}): Response {
  return new Response(JSON.stringify(body), { status: init.status ?? 200, headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers } });
}

/** Runs an endpoint; whatever goes wrong becomes a problem that says what to do and gives nothing away. */
export async function answering(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof ProblemError) return problemResponse(error.problem);
    if (isUnavailable(error)) return problemResponse(databaseAway);
    log.error({ err: error instanceof Error ? { message: error.message, stack: error.stack } : String(error) }, 'request failed');
    return problemResponse({ status: 500, title: 'Something went wrong here', detail: 'The request could not be answered. Nothing was changed. The log of the server says more.' });
  }
}

export const databaseAway: Problem = {
  status: 503,
  title: 'The database cannot be reached',
  detail: 'Nothing was changed. Try again in a moment; if it lasts, restart Summant.',
  headers: { 'retry-after': '1' },
};
