import { generateAuthenticationOptions, verifyAuthenticationResponse } from '@simplewebauthn/server';
import { isoBase64URL } from '@simplewebauthn/server/helpers';
import type { PasskeyShown, PasskeyWanted } from '../../../contract/shapes/account.ts';
import { inTransaction } from '../../database/pool.ts';
import type { Problem } from '../../http/problem.ts';
import { noNameForPasskeys, wrongPasskey } from '../account-problems.ts';
import { beginSession, browserOf } from '../sessions.ts';
import type { From, SignedIn } from '../signing-in.ts';
import { begin, throttled } from '../throttle.ts';
import { keepChallenge, tookChallenge } from './challenges.ts';
import { notePasskeyUse, passkeyWith } from './passkey-store.ts';
import { relyingPartyOf } from './relying-party.ts';

/** What a browser shows a passkey for. It names nobody: whoever asks learns of no account. */
export async function passkeyWanted({ request, client }: From): Promise<PasskeyWanted | Problem> {
  const party = relyingPartyOf(request);
  if (!party) return noNameForPasskeys;
  return begin(client(), async () => {
    const options = await generateAuthenticationOptions({ rpID: party.id, userVerification: 'required' });
    await keepChallenge(options.challenge, null);
    return { options };
  });
}

export async function signInWithPasskey(response: PasskeyShown, from: From): Promise<SignedIn | Problem> {
  const party = relyingPartyOf(from.request);
  if (!party) return noNameForPasskeys;
  return throttled({ of: null, from: from.client() }, async () => {
    const passkey = await passkeyWith(isoBase64URL.toBuffer(response.id));
    if (!passkey) return wrongPasskey;
    const shown = await verifyAuthenticationResponse({
      response,
      expectedChallenge: (challenge) => tookChallenge(challenge, null),
      expectedOrigin: party.origin,
      expectedRPID: party.id,
      requireUserVerification: true,
      credential: {
        id: isoBase64URL.fromBuffer(passkey.credentialId),
        publicKey: passkey.publicKey,
        counter: passkey.signatures,
      },
    }).catch(() => null);
    if (!shown?.verified) return wrongPasskey;
    const headers = await inTransaction(async (connection) => {
      await notePasskeyUse(connection, passkey.id, shown.authenticationInfo.newCounter);
      return beginSession(connection, passkey.accountId, from.request, browserOf(from.request, from.client()));
    });
    return { name: passkey.person, headers };
  });
}
