import { isCallable } from '../../http/callable-address.ts';
import { ownAddress } from '../../http/guard.ts';
import { standInClient } from '../../stand-ins/provider/client.ts';
import { standInsAreOn } from '../../stand-ins/stand-ins-on.ts';

/** The sign-in provider that whoever runs Summant has chosen, as OpenID Connect knows it. */
export interface ProviderSettings {
  /** as pages call it */
  name: string;
  issuer: URL;
  client: string;
  secret: string;
}

/** What is said in place of an address, for the one that ships with Summant. */
const standIn = 'stand-in';
export const isStandInProvider = (): boolean => process.env.SUMMANT_OIDC_ISSUER === standIn;

/** What is set cannot be used; whoever started Summant can do something about it. */
export class ProviderFault extends Error {}

/** By the environment; null: people sign in without a provider. @throws ProviderFault */
export function providerSettings(environment: Readonly<Record<string, string | undefined>>): ProviderSettings | null {
  const {
    SUMMANT_OIDC_ISSUER: issuer,
    SUMMANT_OIDC_CLIENT: client,
    SUMMANT_OIDC_SECRET: secret,
    SUMMANT_OIDC_NAME: name,
  } = environment;
  if (!issuer) return null;
  if (issuer === standIn) return ofStandIn();
  if (!isCallable(issuer))
    throw new ProviderFault('SUMMANT_OIDC_ISSUER takes the https address of a provider, or stand-in.');
  if (!client || !secret)
    throw new ProviderFault('SUMMANT_OIDC_ISSUER needs SUMMANT_OIDC_CLIENT and SUMMANT_OIDC_SECRET beside it.');
  const address = new URL(issuer);
  return { name: (name ?? '').trim().slice(0, 40) || address.hostname, issuer: address, client, secret };
}

/** That ships with Summant, for trying. */
function ofStandIn(): ProviderSettings {
  if (!standInsAreOn())
    throw new ProviderFault('SUMMANT_OIDC_ISSUER is stand-in, but the stand-ins are off: SUMMANT_STAND_INS says so.');
  return { name: 'the stand-in', issuer: new URL('/stand-ins/provider', ownAddress()), ...standInClient };
}
