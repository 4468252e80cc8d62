import { linkDays, mostPeople } from '../../contract/shapes/account.ts';
import type { Problem } from '../http/problem.ts';

/** RFC 9110, 11.6.1 */
const challenge = { 'www-authenticate': 'Session realm="Summant"' };

export const wrongSignIn: Problem = {
  status: 401,
  title: 'That did not fit',
  detail: 'What you sign in with and the password, or the code, do not belong together. Nothing was changed.',
  headers: challenge,
};
export const noSuchLink: Problem = {
  status: 404,
  title: 'This link is good no more',
  detail: `It has been used, taken back, cut off, or is older than ${linkDays} days. Ask whoever gave it to you for another.`,
};
export const signInTaken: Problem = {
  status: 409,
  title: 'Somebody else signs in with this',
  detail: 'Nothing was changed, and the link is good still. Choose something else to sign in with.',
};
export const plainLine: Problem = {
  status: 403,
  title: 'Signing in needs https',
  detail:
    'Over http everybody on the way could read the password. Nothing was changed. Put a proxy with TLS before Summant, or sign in on the machine that it runs on.',
};
export const noAccount: Problem = {
  status: 404,
  title: 'You have no account',
  detail:
    'Nobody signs in here yet: whoever sits at this machine may everything. The start of Summant prints a link that makes the first account.',
};
export const otherPassword: Problem = {
  status: 409,
  title: 'The password of now is another',
  detail: 'Nothing was changed.',
  fields: [{ pointer: '/password', message: 'is not your password' }],
};
export const weakPassword = (message: string): Problem => ({
  status: 422,
  title: 'This password is too easy to guess',
  detail: 'Nothing was changed. A few words that do not belong together are good, and easy to keep.',
  fields: [{ pointer: '/password', message }],
});
export const noSuchPerson: Problem = {
  status: 404,
  title: 'There is no such person',
  detail: 'Nothing was changed. The account may have been taken away meanwhile.',
};
export const lastOwner: Problem = {
  status: 409,
  title: 'Nobody would be left who may everything',
  detail: 'Nothing was changed. Let somebody else own the store first.',
};
export const noAccountsYet: Problem = {
  status: 409,
  title: 'Make your own account first',
  detail:
    'Nobody was invited. The start of Summant prints a link that makes the first account; from then on people can be invited.',
};
export const manyPeople: Problem = {
  status: 409,
  title: `There are ${mostPeople} accounts and open links already`,
  detail: 'Nobody was invited. Take somebody’s account away, or an invitation back.',
};
export const ownWayBack: Problem = {
  status: 409,
  title: 'This is your own account',
  detail: 'Nothing was made. Change your password under “Your account”.',
};
export const noNameForPasskeys: Problem = {
  status: 409,
  title: 'A passkey needs a name in the address',
  detail:
    'Browsers bind passkeys to the name of a host, and an address in numbers is none. Nothing was changed. On this machine open Summant by localhost in place of 127.0.0.1.',
};
export const otherPasskey: Problem = {
  status: 409,
  title: 'This passkey was not taken',
  detail:
    'It was made for something else or too long ago, is known already, or there are as many as there may be. Nothing was changed.',
};
export const wrongPasskey: Problem = {
  status: 401,
  title: 'This passkey opens nothing here',
  detail:
    'It is not known here, or was shown too long ago. Nothing was changed. Sign in with your password, and add it under “Your account”.',
  headers: challenge,
};

export const noProvider: Problem = {
  status: 404,
  title: 'There is no provider to sign in with',
  detail: 'Nothing was changed. Whoever runs Summant names one with SUMMANT_OIDC_ISSUER.',
};
export const noOrigin: Problem = {
  status: 409,
  title: 'A provider sends browsers back to a page',
  detail: 'Nothing was changed. Ask from a page of Summant: its origin says where to come back to.',
};
export const providerAway = (name: string): Problem => ({
  status: 502,
  title: `No answer from ${name}`,
  detail: 'Nothing was changed. Try again in a while, or sign in with a password or a passkey.',
});
export const providerRefused = (name: string): Problem => ({
  status: 401,
  title: `You were not signed in by ${name}`,
  detail:
    'You went back without signing in there, it took too long, or what came back does not hold. Nothing was changed. Try again from the start.',
  headers: challenge,
});
export const notOnTheWay: Problem = {
  status: 401,
  title: 'Nobody is expected back with this',
  detail:
    'It took longer than ten minutes, was shown before, or was begun in another browser. Nothing was changed. Begin again.',
  headers: challenge,
};
export const notConnected: Problem = {
  status: 401,
  title: 'No account here is connected with this',
  detail:
    'Nothing was changed. Sign in with your password and connect it under “Your account”, or have somebody who owns the store invite you.',
  headers: challenge,
};
export const identityTaken: Problem = {
  status: 409,
  title: 'Another account is connected with this',
  detail: 'Nothing was changed. An account at the provider signs in to one account here.',
};
export const otherAccount: Problem = {
  status: 409,
  title: 'You are signed in otherwise by now',
  detail: 'Nothing was connected. Begin again under “Your account”.',
};
export const noOtherWayIn: Problem = {
  status: 409,
  title: 'You would have no way in left',
  detail: 'Nothing was changed. Set a password first: one of your recovery codes does it, where you sign in.',
};
