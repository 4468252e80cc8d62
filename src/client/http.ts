/** A problem+json answer, as the interface shows it. */
export interface HttpProblem {
  status: number;
  title: string;
  detail: string;
  fields?: { pointer: string; message: string }[];
  draft?: unknown;
}

export type Answer<T> =
  { ok: true; body: T } | { ok: false; problem: HttpProblem; unreachable: boolean; unreadable: boolean };

const unreachable: HttpProblem = {
  status: 0,
  title: 'Summant does not answer',
  detail: 'Your edits are kept here and sent as soon as it does.',
};

/** Calls the server; never throws. `unreachable` means that trying again later makes sense, `unreadable` that what answered is not Summant. */
export async function call<T>(
  method: string,
  path: string,
  options: { body?: unknown; etag?: string; type?: string; prefer?: string; keepalive?: boolean } = {},
): Promise<Answer<T>> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      headers: {
        ...(options.body === undefined ? {} : { 'content-type': options.type ?? 'application/json' }),
        ...(options.etag ? { 'if-match': options.etag } : {}),
        ...(options.prefer ? { prefer: options.prefer } : {}),
      },
      ...(options.body === undefined ? {} : { body: JSON.stringify(options.body) }),
      ...(options.keepalive ? { keepalive: true } : {}),
    });
  } catch {
    return { ok: false, problem: unreachable, unreachable: true, unreadable: false };
  }
  const body = (await response.json().catch(() => undefined)) as unknown;
  const away = response.status === 502 || response.status === 503 || response.status === 504 || response.status === 429;
  if (typeof body !== 'object' || body === null)
    return { ok: false, problem: unreadable(response.status), unreachable: away, unreadable: !away };
  if (response.ok) return { ok: true, body: body as T };
  return { ok: false, problem: body as HttpProblem, unreachable: away, unreadable: false };
}

/** Something between here and Summant has answered in its place, or an answer was cut off. */
const unreadable = (status: number): HttpProblem => ({
  status,
  title: 'The answer could not be read',
  detail: `It came with status ${status} and is not from Summant, or was cut off.`,
});
