import { generateRegistrationOptions, verifyRegistrationResponse } from '@simplewebauthn/server';
import { isoBase64URL } from '@simplewebauthn/server/helpers';
import type { OwnAccount, PasskeyMade, PasskeyOptions } from '../../../contract/shapes/account.ts';
import type { Problem } from '../../http/problem.ts';
import { noNameForPasskeys, otherPasskey } from '../account-problems.ts';
import { ownAccount } from '../account-store.ts';
import { confirmed, shown } from '../own-account.ts';
import type { SessionPerson } from '../sessions.ts';
import type { From } from '../signing-in.ts';
import { keepChallenge, tookChallenge } from './challenges.ts';
import { addPasskey, passkeysOf } from './passkey-store.ts';
import { relyingPartyOf } from './relying-party.ts';

/** What a browser makes a passkey by. Asks for the password: whoever finds an open session adds no way in. */
export const passkeyOptions = (self: SessionPerson, password: string, from: From): Promise<PasskeyOptions | Problem> =>
  confirmed(self, password, from, async () => {
    const party = relyingPartyOf(from.request);
    const account = await ownAccount(self);
    if (!party || !account) return noNameForPasskeys;
    const known = await passkeysOf(self.accountId);
    const options = await generateRegistrationOptions({
      rpID: party.id,
      rpName: 'Summant',
      userName: account.signIn,
      userDisplayName: account.name,
      userID: new TextEncoder().encode(self.accountId) as Uint8Array<ArrayBuffer>,
      attestationType: 'none',
      excludeCredentials: known.map(({ credentialId }) => ({ id: isoBase64URL.fromBuffer(credentialId) })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    await keepChallenge(options.challenge, self.accountId);
    return { options };
  });

/** Keeps a passkey that a browser has made. */
export async function takePasskey(
  self: SessionPerson,
  { name, response }: { name: string; response: PasskeyMade },
  { request }: From,
): Promise<OwnAccount | Problem> {
  const party = relyingPartyOf(request);
  if (!party) return noNameForPasskeys;
  const made = await verifyRegistrationResponse({
    response,
    expectedChallenge: (challenge) => tookChallenge(challenge, self.accountId),
    expectedOrigin: party.origin,
    expectedRPID: party.id,
    requireUserVerification: true,
  }).catch(() => null);
  if (!made?.verified) return otherPasskey;
  const { id, publicKey, counter } = made.registrationInfo.credential;
  const added = await addPasskey({
    accountId: self.accountId,
    credentialId: isoBase64URL.toBuffer(id),
    publicKey,
    signatures: counter,
    name: name.trim(),
  });
  return added ? shown(self) : otherPasskey;
}
