import { isFull } from './accounts/passwords.ts';
import { maybeSignedInFrom } from './accounts/sessions.ts';
import { noRoom } from './accounts/throttle.ts';
import { noteAnswered } from './health/metrics.ts';
import { bareContentPolicy, securityHeaders } from './http/guard.ts';
import { problemBody } from './http/problem.ts';

/** An answer that is sent as it is. */
interface Ready {
  status: number;
  headers: Record<string, string>;
  body: string;
}

/** Where passwords are tried. */
const tried: ReadonlySet<string> = new Set(['/api/sign-in', '/api/sign-in/recovery']);

const ready: Ready = {
  status: noRoom.status,
  headers: {
    ...securityHeaders,
    'content-security-policy': bareContentPolicy,
    'content-type': 'application/problem+json',
    'cache-control': 'no-store',
    ...noRoom.headers,
  },
  body: JSON.stringify(problemBody(noRoom)),
};

/**
 * Turns a try of a password away before it is read, where it would be told all the same that there is no room: passwords
 * that are tried by hundreds leave quotes their time. However else the path is spelled, it is told so later.
 *
 * @param client address of whoever asks; null: it is not known @returns null: it goes on
 */
export function turnAway(method: string, path: string, client: () => string | null): Ready | null {
  if (method !== 'POST' || !tried.has(path) || !isFull() || maybeSignedInFrom(client())) return null;
  noteAnswered({ method, route: path, status: ready.status, ms: 0 });
  return ready;
}
