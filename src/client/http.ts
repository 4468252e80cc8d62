import { draftEtag } from '../contract/etag.ts';
import type { AnswerTo, BodyOf, CallName, ParamsOf, QueryOf } from '../contract/calls.ts';
import type { Problem } from '../contract/shapes/problem.ts';

/** A problem as the interface shows it. */
export type HttpProblem = Omit<Problem, 'type'>;

export type Answer<T> =
  { ok: true; body: T } | { ok: false; problem: HttpProblem; unreachable: boolean; unreadable: boolean };

/** What a call takes: only what it has. */
export type CallInput<N extends CallName> = (BodyOf<N> extends undefined ? { body?: undefined } : { body: BodyOf<N> }) &
  (object extends ParamsOf<N> ? { params?: undefined } : { params: { [Name in keyof ParamsOf<N>]: string | number } }) &
  (object extends QueryOf<N> ? { query?: QueryOf<N> } : { query: QueryOf<N> }) & {
    /** of the draft that was seen; travels as If-Match */
    revision?: number;
    /** the draft of before is here, so what has changed is enough (RFC 7240) */
    changesOnly?: boolean;
    /** sent although the page ends; 64 kB at most */
    outlives?: boolean;
    /** sent as it is, for as long as it takes */
    file?: { content: Blob; type: string; signal?: AbortSignal };
  };

/** How long an answer is waited for. ms */
const timeout = 60_000;

const unreachable: HttpProblem = {
  status: 0,
  title: 'Summant does not answer',
  detail: 'Your edits are kept here and sent as soon as it does.',
};

/** Something between here and Summant has answered in its place, or an answer was cut off. */
const unreadable = (status: number): HttpProblem => ({
  status,
  title: 'The answer could not be read',
  detail: `It came with status ${status} and is not from Summant, or was cut off.`,
});

/** The address of a call. */
export function addressOf(name: CallName, params: object = {}, query: object = {}): string {
  const path = name
    .slice(name.indexOf(' ') + 1)
    .replace(/\{(\w+)\}/g, (_, part: string) => encodeURIComponent(String((params as Record<string, unknown>)[part])));
  const asked = new URLSearchParams(Object.entries(query).map(([key, value]) => [key, String(value)])).toString();
  return asked === '' ? path : `${path}?${asked}`;
}

function requestOf(
  name: CallName,
  { body, revision, changesOnly, outlives = false, file }: CallInput<CallName>,
): RequestInit {
  const sent = file?.content ?? (body === undefined ? undefined : JSON.stringify(body));
  const type = file?.type ?? (body === undefined ? undefined : 'application/json');
  const signal = file ? file.signal : AbortSignal.timeout(timeout);
  return {
    method: name.slice(0, name.indexOf(' ')),
    headers: {
      ...(type === undefined ? {} : { 'content-type': type }),
      ...(revision === undefined ? {} : { 'if-match': draftEtag(revision) }),
      ...(changesOnly ? { prefer: 'return=minimal' } : {}),
    },
    ...(sent === undefined ? {} : { body: sent }),
    ...(signal ? { signal } : {}),
    ...(outlives ? { keepalive: true } : {}),
  };
}

/**
 * Calls the server; never throws. `unreachable` means that trying again later makes sense, `unreadable` that what answered is
 * not Summant.
 */
export async function call<N extends CallName>(
  name: N,
  ...[input]: object extends CallInput<N> ? [input?: CallInput<N>] : [input: CallInput<N>]
): Promise<Answer<AnswerTo<N>>> {
  const given = (input ?? {}) as CallInput<CallName>;
  let response: Response;
  try {
    response = await fetch(addressOf(name, given.params, given.query), requestOf(name, given));
  } catch {
    return { ok: false, problem: unreachable, unreachable: true, unreadable: false };
  }
  const { status, ok } = response;
  const read = (await response.json().catch(() => undefined)) as unknown;
  const away = status === 502 || status === 503 || status === 504 || status === 429;
  if (typeof read !== 'object' || read === null)
    return { ok: false, problem: unreadable(status), unreachable: away, unreadable: !away };
  if (ok) return { ok: true, body: read as AnswerTo<N> };
  return { ok: false, problem: read as Problem, unreachable: away, unreadable: false };
}
