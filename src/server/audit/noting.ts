import type { CallName } from '../../contract/calls.ts';
import { isProblem, type Problem } from '../http/problem.ts';
import { log } from '../log.ts';
import { addEntry } from './audit-store.ts';
import { audited, type Audited } from './audited.ts';

/** What is known of a call beside its answer. */
export interface Noted {
  body: unknown;
  params: unknown;
  /** who asks; null: nobody is signed in yet */
  person: string | null;
  address: string | null;
}

/** Whether anything is kept of a call. */
export const isAudited = (name: CallName): boolean => Object.hasOwn(audited, name);

/** What has to be looked up before a call is done. */
export async function namedBefore(name: CallName, asked: { params: unknown; body: unknown }): Promise<string> {
  try {
    return (await (audited[name] as Audited | undefined)?.before?.(asked as never)) ?? '';
  } catch {
    // The call itself says what is wrong.
    return '';
  }
}

/** An answer's body, a problem, or a response of its own. */
export type NotedOutcome = { status: number; body: unknown } | Problem | Response;

/** What was shown did not fit. What was not looked at, since it came too often, is not kept: a flood of it would be, too. */
const didNotFit = 401;

/** Keeps who did what. That it cannot be kept is no reason to answer that what has been done was not. */
export async function noteDone(name: CallName, noted: Noted, named: string, outcome: NotedOutcome): Promise<void> {
  const entry = audited[name] as Audited | undefined;
  if (!entry) return;
  try {
    const told = await toldOf(entry, noted, named, outcome);
    if (told) await addEntry({ kind: entry.kind, address: noted.address ?? '', ...told });
  } catch (error) {
    log.error({ err: String(error), call: name }, 'what was done could not be kept');
  }
}

async function toldOf(
  { what, who, refused }: Audited,
  { body, params, person }: Noted,
  named: string,
  outcome: NotedOutcome,
): Promise<{ what: string; person: string | null } | null> {
  if (!(outcome instanceof Response) && isProblem(outcome)) {
    if (!refused || outcome.status !== didNotFit) return null;
    return { what: refused.what, person: await refused.who(body as never) };
  }
  if (outcome.status >= 400) return null;
  const answer = outcome instanceof Response ? undefined : outcome.body;
  const done = { body, params, answer, named } as never;
  return { what: what(done), person: who ? who(done) : person };
}
