import { createHash } from 'node:crypto';
import { createVerifier, httpbis } from 'http-message-signatures';
import type { ReceiverSecret } from '../receivers/signed-call.ts';

/** A call is taken for so long after it was signed. s */
const holdsFor = 300;

/** What a receiver finds out of a call: whether whoever has the secret signed this very body, for this address, just now. */
export async function isVerified(
  { method, url, headers }: { method: string; url: string; headers: Headers },
  body: string,
  secretOf: (id: string) => Promise<Buffer | null>,
): Promise<boolean> {
  const digest = `sha-256=:${createHash('sha256').update(body).digest('base64')}:`;
  if (headers.get('content-digest') !== digest) return false;
  try {
    const verified = await httpbis.verifyMessage(
      {
        keyLookup: async ({ keyid = '' }) => {
          const secret = await secretOf(keyid);
          const found: ReceiverSecret | null = secret && { id: keyid, secret };
          return found && { id: found.id, algs: ['hmac-sha256'], verify: createVerifier(found.secret, 'hmac-sha256') };
        },
        maxAge: holdsFor,
        requiredParams: ['created', 'keyid'],
        requiredFields: ['@method', '@target-uri', 'content-digest'],
      },
      { method, url, headers: Object.fromEntries(headers) },
    );
    return verified === true;
  } catch {
    // What is expired, malformed or signed with something else.
    return false;
  }
}
