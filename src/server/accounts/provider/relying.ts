import {
  allowInsecureRequests,
  AuthorizationResponseError,
  authorizationCodeGrant,
  buildAuthorizationUrl,
  calculatePKCECodeChallenge,
  clockTolerance,
  ClientSecretPost,
  discovery,
  enableNonRepudiationChecks,
  randomNonce,
  randomPKCECodeVerifier,
  randomState,
  ResponseBodyError,
  type Configuration,
} from 'openid-client';
import { heldFor } from '../../held.ts';
import type { Problem } from '../../http/problem.ts';
import { log } from '../../log.ts';
import { providerAway, providerRefused } from '../account-problems.ts';
import { providerSettings, type ProviderSettings } from './settings.ts';

/** Until it is taken not to answer. s */
const longestAnswer = 10;
/** Clocks may be so far apart. s */
const clocksApart = 30;
/** What the provider says of itself is asked for again after that. ms */
const knownFor = 10 * 60_000;

/** How pages call the provider; null: there is none. */
export const providerName = (): string | null => providerSettings(process.env)?.name ?? null;

const configuration = heldFor(knownFor, () => discovered(providerSettings(process.env)!));

/** By OpenID Connect Discovery 1.0, 4. Signatures are looked at although the answer comes over TLS: nobody between can have written it. */
function discovered({ issuer, client, secret }: ProviderSettings): Promise<Configuration> {
  const inTheClear = issuer.protocol === 'http:' ? [allowInsecureRequests] : [];
  return discovery(issuer, client, { [clockTolerance]: clocksApart }, ClientSecretPost(secret), {
    execute: [enableNonRepudiationChecks, ...inTheClear],
    timeout: longestAnswer,
  });
}

/** What somebody who goes to the provider has to come back with. */
export interface Expected {
  state: string;
  nonce: string;
  /** RFC 7636, 4.1 */
  verifier: string;
  /** where the provider sends the browser back to */
  back: string;
}

/** The address to go to, and what is expected back (OpenID Connect Core 1.0, 3.1.2.1, with RFC 7636). */
export function wayToProvider(back: string): Promise<{ address: string; expected: Expected } | Problem> {
  return orAway(async () => {
    const expected = { state: randomState(), nonce: randomNonce(), verifier: randomPKCECodeVerifier(), back };
    const address = buildAuthorizationUrl(await configuration.get(), {
      redirect_uri: back,
      scope: 'openid profile email',
      state: expected.state,
      nonce: expected.nonce,
      code_challenge: await calculatePKCECodeChallenge(expected.verifier),
      code_challenge_method: 'S256',
    });
    return { address: address.href, expected };
  });
}

/** Who somebody is by the provider. */
export interface Identity {
  issuer: string;
  /** never given to anybody else by this issuer (OpenID Connect Core 1.0, 2) */
  subject: string;
  /** what people know him by: an address, a name */
  knownAs: string;
}

/** Who has come back. @param query of the address that the provider sent the browser to */
export function whoCameBack(query: string, { state, nonce, verifier, back }: Expected): Promise<Identity | Problem> {
  return orAway(async () => {
    const came = new URL(back);
    came.search = query;
    const tokens = await authorizationCodeGrant(await configuration.get(), came, {
      expectedState: state,
      expectedNonce: nonce,
      pkceCodeVerifier: verifier,
      idTokenExpected: true,
    });
    const { iss: issuer, sub: subject, email, name } = tokens.claims()!;
    const known = [email, name, subject].find((claim): claim is string => typeof claim === 'string' && claim !== '');
    return { issuer, subject, knownAs: (known ?? '').slice(0, 254) };
  });
}

/** What goes wrong with the provider is told apart: it did not answer, or what it said does not hold. */
async function orAway<T extends object>(work: () => Promise<T>): Promise<T | Problem> {
  const name = providerName() ?? 'The provider';
  try {
    return await work();
  } catch (error) {
    const { code, message } = error as { code?: string; message?: string };
    log.warn({ code, err: message }, 'signing in by the provider did not work');
    if (error instanceof AuthorizationResponseError || error instanceof ResponseBodyError) return providerRefused(name);
    return didNotAnswer(error, code) ? providerAway(name) : providerRefused(name);
  }
}

/** As Node's fetch and openid-client say it. */
const didNotAnswer = (error: unknown, code: string | undefined): boolean =>
  error instanceof TypeError ||
  code === 'OAUTH_TIMEOUT' ||
  code === 'OAUTH_RESPONSE_IS_NOT_CONFORM' ||
  code === 'OAUTH_RESPONSE_IS_NOT_JSON';
