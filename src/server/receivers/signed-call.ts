import { createHash } from 'node:crypto';
import { createSigner, httpbis } from 'http-message-signatures';

/** What a receiver’s calls are signed with. */
export interface ReceiverSecret {
  id: string;
  secret: Buffer;
}

/** What is signed: to which address, when (`created`), and what. */
const fields = ['@method', '@target-uri', 'content-type', 'content-digest'];

/**
 * The headers of a POST of JSON, signed with HMAC-SHA-256 as HTTP Message Signatures say (RFC 9421) over its address, its
 * moment and the digest of its body (RFC 9530).
 *
 * @param now ms since 1970-01-01T00:00Z
 */
export async function signedHeaders(
  address: URL,
  body: string,
  { id, secret }: ReceiverSecret,
  now: number,
): Promise<Record<string, string>> {
  const headers = {
    'content-type': 'application/json',
    'content-digest': `sha-256=:${createHash('sha256').update(body).digest('base64')}:`,
  };
  const signed = await httpbis.signMessage(
    {
      key: createSigner(secret, 'hmac-sha256', id),
      name: 'summant',
      params: ['created', 'keyid', 'alg'],
      paramValues: { created: new Date(now) },
      fields,
    },
    { method: 'POST', url: address, headers },
  );
  return signed.headers as Record<string, string>;
}
