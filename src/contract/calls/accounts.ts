import { Type } from '@sinclair/typebox';
import { answer, databaseAway, defineCalls, problem, writeRefused } from '../call.ts';
import { object } from '../shape.ts';
import {
  BackFromProviderShape,
  CameBackShape,
  ChangedPersonShape,
  LinkByProviderShape,
  ProviderAddressShape,
  ToProviderShape,
  LinkAskedShape,
  LinkShape,
  LinkTakenShape,
  MadeLinkShape,
  NewInvitationShape,
  NewPasskeyShape,
  NewPasswordShape,
  OwnAccountShape,
  OwnNameShape,
  OwnPasswordShape,
  PasskeyOptionsShape,
  PasskeyShownShape,
  PasskeyWantedShape,
  PeopleShape,
  RecoveryCodesShape,
  RecoveryShape,
  SignedInShape,
  SignInShape,
} from '../shapes/account.ts';

const params = { id: Type.String({ pattern: '^[a-z2-7]{12}$' }) };
const most = 16 * 1024;
const malformed = problem('malformed');
const wrong = problem('they do not belong together; nothing says which of them is wrong');
const tooMany = problem('too many tries; retry-after says when to try again');
const noName = problem('passkeys cannot be bound to this address');
const noSuchLink = problem('the link is none, is over, or has been used');
const noSuchPerson = problem('no such person');
const lastOwner = problem('nobody would be left who may everything');
const noWayThere = {
  404: problem('there is no provider'),
  409: problem('what asks is no page, so that there is nowhere to come back to'),
  502: problem('the provider does not answer'),
};
const written = { ...writeRefused, 422: malformed };

/** How people sign in, what they change of their own account, and who may what. */
export const accountCalls = defineCalls({
  'POST /api/sign-in': {
    summary: 'Signs in with a password; the session comes as a cookie',
    needs: 'anyone',
    body: { schema: SignInShape, most },
    answers: { 200: answer('whose session it is', SignedInShape), ...written, 401: wrong, 429: tooMany },
  },
  'POST /api/sign-in/recovery': {
    summary: 'Sets a new password with a recovery code, ends all sessions of the account, and signs in',
    needs: 'anyone',
    body: { schema: RecoveryShape, most },
    answers: { 200: answer('whose session it is', SignedInShape), ...written, 401: wrong, 429: tooMany },
  },
  'POST /api/sign-in/passkey/options': {
    summary: 'What a browser shows a passkey for; it names nobody',
    needs: 'anyone',
    answers: {
      200: answer('good once, for five minutes', PasskeyWantedShape),
      403: writeRefused[403],
      409: noName,
      429: tooMany,
      503: databaseAway,
    },
  },
  'POST /api/sign-in/passkey': {
    summary: 'Signs in with a passkey; the session comes as a cookie',
    needs: 'anyone',
    body: { schema: PasskeyShownShape, most },
    answers: {
      200: answer('whose session it is', SignedInShape),
      ...written,
      401: problem('there is no such passkey, or it was shown for something else'),
      409: noName,
      429: tooMany,
    },
  },
  'POST /api/sign-in/provider': {
    summary: 'Where a browser goes to sign in at the provider',
    needs: 'anyone',
    body: { schema: ToProviderShape, most },
    answers: {
      200: answer('good for ten minutes, in the browser that asked', ProviderAddressShape),
      ...written,
      ...noWayThere,
      429: tooMany,
    },
  },
  'POST /api/sign-in/provider/back': {
    summary: 'Signs in, joins or connects whoever comes back from the provider; a session comes as a cookie',
    needs: 'anyone',
    body: { schema: BackFromProviderShape, most },
    answers: {
      200: answer('what has come of it; codes of a new account are told once', CameBackShape),
      ...written,
      401: problem('nobody is expected back with this, or it does not hold, or no account is connected with it'),
      404: problem('there is no provider, or the link has been used meanwhile'),
      409: problem('another account is connected with it, or one is signed in otherwise by now'),
      429: tooMany,
      502: noWayThere[502],
    },
  },
  'POST /api/sign-out': {
    summary: 'Ends the session of who asks',
    needs: 'anyone',
    answers: { 200: answer('it is ended, or there was none', object({})), 403: writeRefused[403], 503: databaseAway },
  },
  'POST /api/links/look': {
    summary: 'What a link is for',
    needs: 'anyone',
    body: { schema: LinkAskedShape, most },
    answers: { 200: answer('what it is for', LinkShape), ...written, 404: noSuchLink, 429: tooMany },
  },
  'POST /api/links/use': {
    summary: 'Makes the account that a link is for, or gives one a new password, and signs in; the link is used then',
    needs: 'anyone',
    body: { schema: LinkTakenShape, most },
    answers: {
      201: answer('codes for when the password is forgotten, told once', RecoveryCodesShape),
      ...written,
      404: noSuchLink,
      409: problem('somebody else signs in with this already'),
      429: tooMany,
    },
  },
  'POST /api/links/provider': {
    summary: 'Where a browser goes to make the account that a link is for, by the provider in place of a password',
    needs: 'anyone',
    body: { schema: LinkByProviderShape, most },
    answers: {
      200: answer('good for ten minutes, in the browser that asked', ProviderAddressShape),
      ...written,
      404: problem('there is no provider, or the link is none, is over, has been used, or is a way back'),
      409: problem('somebody else signs in with this already, or what asks is no page'),
      429: tooMany,
      502: noWayThere[502],
    },
  },
  'GET /api/account': {
    summary: 'The account of who asks',
    needs: 'look',
    answers: {
      200: answer('with its sessions, the newest first', OwnAccountShape),
      404: problem('nobody has an account'),
      503: databaseAway,
    },
  },
  'PUT /api/account': {
    summary: 'Names oneself',
    needs: 'look',
    body: { schema: OwnNameShape, most },
    answers: { 200: answer('the account', OwnAccountShape), ...written, 404: problem('nobody has an account') },
  },
  'PUT /api/account/password': {
    summary: 'Changes the password; other sessions are ended, and this one is renewed',
    needs: 'look',
    body: { schema: NewPasswordShape, most },
    answers: {
      200: answer('the account', OwnAccountShape),
      ...written,
      404: problem('nobody has an account'),
      409: problem('the password of before is another'),
      429: tooMany,
    },
  },
  'POST /api/account/recovery-codes': {
    summary: 'Makes recovery codes in place of those of before; they are told once',
    needs: 'look',
    body: { schema: OwnPasswordShape, most },
    answers: {
      201: answer('the codes', RecoveryCodesShape),
      ...written,
      404: problem('nobody has an account'),
      409: problem('the password is another'),
      429: tooMany,
    },
  },
  'POST /api/account/passkeys/options': {
    summary: 'What a browser makes a passkey by',
    needs: 'look',
    body: { schema: OwnPasswordShape, most },
    answers: {
      200: answer('good once, for five minutes', PasskeyOptionsShape),
      ...written,
      404: problem('nobody has an account'),
      409: problem('the password is another, or passkeys cannot be bound to this address'),
      429: tooMany,
    },
  },
  'POST /api/account/passkeys': {
    summary: 'Keeps a passkey that a browser has made',
    needs: 'look',
    body: { schema: NewPasskeyShape, most },
    answers: {
      200: answer('the account', OwnAccountShape),
      ...written,
      404: problem('nobody has an account'),
      409: problem('it was made for something else, is known already, or there are as many as there may be'),
    },
  },
  'DELETE /api/account/passkeys/{id}': {
    summary: 'Takes a passkey of one’s account away',
    needs: 'look',
    params,
    answers: {
      200: answer('the account', OwnAccountShape),
      403: writeRefused[403],
      404: problem('nobody has an account'),
      503: databaseAway,
    },
  },
  'POST /api/account/provider': {
    summary: 'Where a browser goes to connect one’s account with the provider',
    needs: 'look',
    body: { schema: OwnPasswordShape, most },
    answers: {
      200: answer('good for ten minutes, in the browser that asked', ProviderAddressShape),
      ...written,
      404: problem('there is no provider, or nobody has an account'),
      409: problem('the password is another, or what asks is no page'),
      429: tooMany,
      502: noWayThere[502],
    },
  },
  'DELETE /api/account/provider': {
    summary: 'Takes the connection of one’s account with the provider away',
    needs: 'look',
    answers: {
      200: answer('the account', OwnAccountShape),
      403: writeRefused[403],
      404: problem('nobody has an account'),
      409: problem('there would be no way in left'),
      503: databaseAway,
    },
  },
  'DELETE /api/account/sessions': {
    summary: 'Ends all sessions of one’s account but this',
    needs: 'look',
    answers: {
      200: answer('the account', OwnAccountShape),
      403: writeRefused[403],
      404: problem('nobody has an account'),
      503: databaseAway,
    },
  },
  'DELETE /api/account/sessions/{id}': {
    summary: 'Ends a session of one’s account',
    needs: 'look',
    params,
    answers: {
      200: answer('the account', OwnAccountShape),
      403: writeRefused[403],
      404: problem('nobody has an account'),
      503: databaseAway,
    },
  },
  'GET /api/people': {
    summary: 'Who has an account, and who is invited',
    needs: 'own',
    answers: { 200: answer('the oldest account first', PeopleShape), 503: databaseAway },
  },
  'POST /api/people/invitations': {
    summary: 'Invites somebody; the link is told once',
    needs: 'own',
    body: { schema: NewInvitationShape, most },
    answers: {
      201: answer('the link', MadeLinkShape),
      ...written,
      409: problem('there are no accounts yet, or as many as there may be'),
    },
  },
  'DELETE /api/people/invitations/{id}': {
    summary: 'Takes an invitation back',
    needs: 'own',
    params,
    answers: { 200: answer('who is left', PeopleShape), 403: writeRefused[403], 503: databaseAway },
  },
  'PUT /api/people/{id}': {
    summary: 'Says what somebody may from now on',
    needs: 'own',
    params,
    body: { schema: ChangedPersonShape, most },
    answers: { 200: answer('who may what now', PeopleShape), ...written, 404: noSuchPerson, 409: lastOwner },
  },
  'POST /api/people/{id}/way-back': {
    summary: 'Makes a link with which somebody sets a new password; it is told once',
    needs: 'own',
    params,
    answers: {
      201: answer('the link', MadeLinkShape),
      403: writeRefused[403],
      404: noSuchPerson,
      409: problem('the account is one’s own'),
      503: databaseAway,
    },
  },
  'DELETE /api/people/{id}': {
    summary: 'Takes somebody’s account away and ends its sessions',
    needs: 'own',
    params,
    answers: {
      200: answer('who is left', PeopleShape),
      403: writeRefused[403],
      404: noSuchPerson,
      409: lastOwner,
      503: databaseAway,
    },
  },
});
