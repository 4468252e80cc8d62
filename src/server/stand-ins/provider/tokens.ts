import { createHash } from 'node:crypto';
import { exportJWK, generateKeyPair, SignJWT, type JWK } from 'jose';
import { standInPeople, takeGrant, type Grant } from './authorizing.ts';
import { standInClient } from './client.ts';

/** What can be wrong with what the stand-in says. */
export type Wrong = 'nonce' | 'issuer' | 'signature' | 'expiry' | 'audience';

const alg = 'RS256';
const keyId = 'stand-in';
/** One that is published, and one that is not. Made when they are first wanted: they hold for as long as the process. */
let made: Promise<{ published: CryptoKey; other: CryptoKey; set: { keys: JWK[] } }> | null = null;
const keys = () => (made ??= makeKeys());

async function makeKeys() {
  const [own, other] = await Promise.all([generateKeyPair(alg), generateKeyPair(alg)]);
  const jwk = { ...(await exportJWK(own.publicKey)), kid: keyId, alg, use: 'sig' };
  return { published: own.privateKey, other: other.privateKey, set: { keys: [jwk] } };
}

/** RFC 7517, 5 */
export const keySet = async (): Promise<{ keys: JWK[] }> => (await keys()).set;

/** OpenID Connect Discovery 1.0, 3 */
export const metadata = (issuer: string) => ({
  issuer,
  authorization_endpoint: `${issuer}/authorize`,
  token_endpoint: `${issuer}/token`,
  jwks_uri: `${issuer}/keys`,
  response_types_supported: ['code'],
  subject_types_supported: ['public'],
  id_token_signing_alg_values_supported: [alg],
  token_endpoint_auth_methods_supported: ['client_secret_post'],
  code_challenge_methods_supported: ['S256'],
  authorization_response_iss_parameter_supported: true,
  scopes_supported: ['openid', 'profile', 'email'],
});

const isVerifier = (verifier: string, challenge: string): boolean =>
  createHash('sha256').update(verifier).digest('base64url') === challenge;

/** What a code is exchanged for (RFC 6749, 4.1.4), or the word for why not (5.2). */
export async function exchanged(
  asked: URLSearchParams,
  issuer: string,
  wrong: Wrong | null,
): Promise<{ access_token: string; token_type: 'Bearer'; id_token: string } | { error: string }> {
  const { client, secret } = standInClient;
  if (asked.get('client_id') !== client || asked.get('client_secret') !== secret) return { error: 'invalid_client' };
  if (asked.get('grant_type') !== 'authorization_code') return { error: 'unsupported_grant_type' };
  const grant = takeGrant(asked.get('code') ?? '');
  const holds =
    grant && grant.back === asked.get('redirect_uri') && isVerifier(asked.get('code_verifier') ?? '', grant.challenge);
  if (!holds) return { error: 'invalid_grant' };
  return { access_token: 'of no use', token_type: 'Bearer', id_token: await idToken(grant, issuer, wrong) };
}

async function idToken({ person, nonce }: Grant, issuer: string, wrong: Wrong | null): Promise<string> {
  const { published, other } = await keys();
  const now = Math.floor(Date.now() / 1000);
  const made = wrong === 'expiry' ? now - 3600 : now;
  return new SignJWT({ ...standInPeople[person], nonce: wrong === 'nonce' ? 'another' : nonce })
    .setProtectedHeader({ alg, kid: keyId })
    .setIssuer(wrong === 'issuer' ? 'https://elsewhere.example.com' : issuer)
    .setAudience(wrong === 'audience' ? 'another' : standInClient.client)
    .setSubject(person)
    .setIssuedAt(made)
    .setExpirationTime(made + 300)
    .sign(wrong === 'signature' ? other : published);
}
