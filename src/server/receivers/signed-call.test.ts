import { createHash, createHmac } from 'node:crypto';
import { createSigner, httpbis } from 'http-message-signatures';
import { describe, expect, test } from 'vitest';
import { isVerified } from '../stand-ins/verified-call.ts';
import { signedHeaders } from './signed-call.ts';

const address = new URL('https://shop.example.com/told?of=releases');
const body = JSON.stringify({ id: 'a', kind: 'test', at: '2027-05-01T00:00:00.000Z', release: null });
const secret = { id: 'abcdefgh', secret: Buffer.from('00112233445566778899aabbccddeeff'.repeat(2), 'hex') };
const now = Date.UTC(2027, 4, 1);

/** The signature base of RFC 9421, 2.5, written down by hand. */
const baseOf = (headers: Record<string, string>) =>
  [
    '"@method": POST',
    `"@target-uri": ${address.href}`,
    `"content-type": application/json`,
    `"content-digest": ${headers['content-digest']}`,
    `"@signature-params": ${headers['Signature-Input']!.replace('summant=', '')}`,
  ].join('\n');

describe('a call is signed', () => {
  test('with HMAC-SHA-256 over method, address, type, digest and moment, as a shop works it out by itself', async () => {
    const headers = await signedHeaders(address, body, secret, now);
    expect(headers['content-digest']).toBe(`sha-256=:${createHash('sha256').update(body).digest('base64')}:`);
    expect(headers['Signature-Input']).toBe(
      `summant=("@method" "@target-uri" "content-type" "content-digest");created=${now / 1000};keyid="abcdefgh";alg="hmac-sha256"`,
    );
    const expected = createHmac('sha256', secret.secret).update(baseOf(headers)).digest('base64');
    expect(headers.Signature).toBe(`summant=:${expected}:`);
  });

  // RFC 9421, appendix B.2.5: a request signed with the shared secret of B.1.5.
  test('by a library that signs the example of RFC 9421 as the RFC does', async () => {
    const shared = Buffer.from(
      'uzvJfB4u3N0Jy4T7NZ75MDVcr8zSTInedJtkgcu46YW4XByzNJjxBdtjUkdJPBtbmHhIDi6pcl8jsasjlTMtDQ==',
      'base64',
    );
    const signed = await httpbis.signMessage(
      {
        key: createSigner(shared, 'hmac-sha256', 'test-shared-secret'),
        name: 'sig-b25',
        fields: ['date', '@authority', 'content-type'],
        params: ['created', 'keyid'],
        paramValues: { created: new Date(1_618_884_473_000) },
      },
      {
        method: 'POST',
        url: 'https://example.com/foo?param=Value&Pet=dog',
        headers: { Date: 'Tue, 20 Apr 2021 02:07:55 GMT', 'Content-Type': 'application/json' },
      },
    );
    expect((signed.headers as Record<string, string>).Signature).toBe(
      'sig-b25=:pxcQw6G3AjtMBQjwo8XzkZf/bws5LelbaMk5rGIGtE8=:',
    );
  });
});

describe('a receiver believes', () => {
  const verified = async (
    change: {
      url?: string;
      body?: string;
      secret?: Buffer;
      unknown?: true;
      headers?: Record<string, string>;
      at?: number;
    } = {},
  ) => {
    const headers = new Headers({
      ...(await signedHeaders(address, body, secret, change.at ?? Date.now())),
      ...change.headers,
    });
    return isVerified({ method: 'POST', url: change.url ?? address.href, headers }, change.body ?? body, (id) =>
      Promise.resolve(id === secret.id && !change.unknown ? (change.secret ?? secret.secret) : null),
    );
  };
  test('what was signed with its secret just now', async () => {
    expect(await verified()).toBe(true);
    expect(await verified({ at: Date.now() - 200_000 })).toBe(true);
  });
  test('nothing else', async () => {
    expect(await verified({ body: body.replace('test', 'release') })).toBe(false);
    expect(await verified({ url: 'https://shop.example.com/other' })).toBe(false);
    expect(await verified({ secret: Buffer.alloc(32) })).toBe(false);
    expect(await verified({ unknown: true })).toBe(false);
    expect(await verified({ headers: { signature: 'summant=:AAAA:' } })).toBe(false);
    expect(await verified({ headers: { 'signature-input': 'nonsense((' } })).toBe(false);
    expect(await verified({ at: Date.now() - 400_000 })).toBe(false);
    expect(await verified({ at: Date.now() + 400_000 })).toBe(false);
  });
});
