import { createHash } from 'node:crypto';
import { exportJWK, generateKeyPair, SignJWT, type GenerateKeyPairResult, type JWK } from 'jose';
import { standInPeople, takeGrant, type Grant } from './authorizing.ts';
import { standInClient } from './client.ts';

/** What can be wrong with what the stand-in says. */
export type Wrong = 'nonce' | 'issuer' | 'signature' | 'expiry' | 'audience';

const alg = 'RS256';
const keyId = 'stand-in';

/** Holds as long as the process. To make one takes a busy machine seconds: each is made once it is known to be wanted. */
const keyPair = () => {
  let made: Promise<GenerateKeyPairResult> | null = null;
  return () => (made ??= generateKeyPair(alg));
};
const published = keyPair();
const other = keyPair();

/** RFC 7517, 5 */
export async function keySet(): Promise<{ keys: JWK[] }> {
  const { publicKey } = await published();
  return { keys: [{ ...(await exportJWK(publicKey)), kid: keyId, alg, use: 'sig' }] };
}

/** OpenID Connect Discovery 1.0, 3 */
export function metadata(issuer: string) {
  // Whoever asks will be back with somebody soon.
  void published();
  return {
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
  };
}

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
  const { privateKey } = await (wrong === 'signature' ? other : published)();
  const now = Math.floor(Date.now() / 1000);
  const made = wrong === 'expiry' ? now - 3600 : now;
  return new SignJWT({ ...standInPeople[person], nonce: wrong === 'nonce' ? 'another' : nonce })
    .setProtectedHeader({ alg, kid: keyId })
    .setIssuer(wrong === 'issuer' ? 'https://elsewhere.example.com' : issuer)
    .setAudience(wrong === 'audience' ? 'another' : standInClient.client)
    .setSubject(person)
    .setIssuedAt(made)
    .setExpirationTime(made + 300)
    .sign(privateKey);
}
