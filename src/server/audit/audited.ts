import type { AnswerTo, BodyOf, CallName, ParamsOf } from '../../contract/calls.ts';
import type { CameBack } from '../../contract/shapes/account.ts';
import type { ChangedChoices } from '../../contract/shapes/choices.ts';
import type { AuditKind } from '../../contract/shapes/audit.ts';
import { roleInWords } from '../../core/people/roles.ts';
import { credentialsOf } from '../accounts/account-store.ts';
import { linkOf } from '../accounts/links.ts';
import { isRandomId } from '../random-id.ts';
import { listReceivers } from '../receivers/receiver-store.ts';

interface Done<N extends CallName> {
  body: BodyOf<N>;
  params: ParamsOf<N>;
  /** where it answers JSON */
  answer: AnswerTo<N>;
  /** what `before` found */
  named: string;
}

/** How a call that was answered is told. */
export interface Audited<N extends CallName = CallName> {
  kind: AuditKind;
  /** what the call is about, by its name, found before it is done: afterwards it may be gone */
  before?: (asked: { params: ParamsOf<N>; body: BodyOf<N> }) => Promise<string>;
  what: (done: Done<N>) => string;
  /** whose account it was, of calls for which nobody is signed in yet */
  who?: (done: Done<N>) => string;
  /** of one that was refused since what was shown did not fit: what was tried, and on whose account */
  refused?: { what: string; who: (body: BodyOf<N>) => Promise<string | null> };
}

/** Of calls about something by its id. */
interface ById {
  params: { id: string };
}
const personNamed = async ({ params: { id } }: ById): Promise<string> =>
  (isRandomId(id, 12) ? (await credentialsOf({ id }))?.name : undefined) ?? id;
const receiverNamed = async ({ params: { id } }: ById): Promise<string> =>
  (await listReceivers()).find((receiver) => receiver.id === id)?.address ?? id;
const ownerOf = async (signIn: string): Promise<string | null> => (await credentialsOf({ signIn }))?.name ?? null;
const nobody = (): Promise<null> => Promise.resolve(null);
const inMarkets = (markets: readonly string[] | null): string =>
  markets === null ? '' : `, in ${markets.length > 0 ? markets.join(', ') : 'no market'}`;
const cameBackInWords: Record<CameBack['did'], string> = {
  'sign-in': 'Signed in by the provider',
  join: 'Made an account by a link, with the provider',
  connect: 'Connected the account with the provider',
};
/** What was chosen, of all that can be. */
function chosen({ twoPeople, recordDays, orderDays }: ChangedChoices): string {
  const said: string[] = [];
  if (twoPeople !== undefined) said.push(`A release takes ${twoPeople ? 'two people' : 'one person'}`);
  if (recordDays !== undefined) said.push(`Audit entries are kept for ${recordDays} days`);
  if (orderDays !== undefined)
    said.push(`Orders are kept one by one ${orderDays === null ? 'for good' : `for ${orderDays} days`}`);
  return said.join('; ') || 'Chose nothing';
}
const noted = (note: string): string => (note.trim() === '' ? '' : `: ${note}`);

/**
 * Calls that are kept in mind, and in which words. Neither passwords, codes, tokens and secrets nor what was typed to sign in and is no
 * account stand in them: whoever mistypes may have typed a password.
 */
export const audited: { readonly [N in CallName]?: Audited<N> } = {
  'POST /api/sign-in': {
    kind: 'signing-in',
    what: () => 'Signed in',
    who: ({ answer }) => answer.name,
    refused: { what: 'Could not sign in: the password did not fit', who: ({ signIn }) => ownerOf(signIn) },
  },
  'POST /api/sign-in/recovery': {
    kind: 'signing-in',
    what: () => 'Set a new password with a recovery code',
    who: ({ answer }) => answer.name,
    refused: { what: 'Could not sign in: the recovery code did not fit', who: ({ signIn }) => ownerOf(signIn) },
  },
  'POST /api/sign-in/passkey': {
    kind: 'signing-in',
    what: () => 'Signed in with a passkey',
    who: ({ answer }) => answer.name,
    refused: { what: 'Could not sign in: the passkey did not fit', who: nobody },
  },
  'POST /api/sign-in/provider/back': {
    kind: 'signing-in',
    what: ({ answer }) => cameBackInWords[answer.did],
    who: ({ answer }) => answer.name,
    refused: { what: 'Could not sign in by the provider', who: nobody },
  },
  'POST /api/links/use': {
    kind: 'signing-in',
    before: async ({ body }) => (await linkOf(body.token))?.kind ?? '',
    what: ({ named }) => (named === 'way-back' ? 'Set a new password by a link' : 'Made an account by a link'),
    who: ({ body }) => body.name,
  },
  'PUT /api/account': { kind: 'own-account', what: ({ body }) => `Is called ${body.name} from now on` },
  'PUT /api/account/password': { kind: 'own-account', what: () => 'Changed the password' },
  'POST /api/account/recovery-codes': { kind: 'own-account', what: () => 'Made new recovery codes' },
  'POST /api/account/passkeys': { kind: 'own-account', what: ({ body }) => `Added the passkey “${body.name}”` },
  'DELETE /api/account/passkeys/{id}': { kind: 'own-account', what: () => 'Took a passkey away' },
  'DELETE /api/account/provider': { kind: 'own-account', what: () => 'Is no longer connected with the provider' },
  'DELETE /api/account/sessions': { kind: 'own-account', what: () => 'Ended all other sessions' },
  'DELETE /api/account/sessions/{id}': { kind: 'own-account', what: () => 'Ended a session' },
  'POST /api/people/invitations': {
    kind: 'people',
    what: ({ body }) => `Invited ${body.name}, who may ${roleInWords[body.role]}${inMarkets(body.markets)}`,
  },
  'DELETE /api/people/invitations/{id}': { kind: 'people', what: () => 'Took an invitation back' },
  'PUT /api/people/{id}': {
    kind: 'people',
    before: personNamed,
    what: ({ named, body }) => `${named} may ${roleInWords[body.role]}${inMarkets(body.markets)} from now on`,
  },
  'POST /api/people/{id}/way-back': {
    kind: 'people',
    before: personNamed,
    what: ({ named }) => `Made a link with which ${named} sets a new password`,
  },
  'DELETE /api/people/{id}': {
    kind: 'people',
    before: personNamed,
    what: ({ named }) => `Took the account of ${named} away`,
  },
  'PATCH /api/choices': {
    kind: 'people',
    what: ({ body }) => chosen(body),
  },
  'POST /api/keys': { kind: 'keys', what: ({ answer }) => `Made the key “${answer.key.name}”` },
  'PUT /api/keys/{id}': { kind: 'keys', what: ({ answer }) => `Changed the key “${answer.name}”` },
  'POST /api/keys/{id}/rotation': {
    kind: 'keys',
    what: ({ answer, body }) =>
      `Rotated the key “${answer.key.name}”; the old one is taken for ${body.overlapHours} hours`,
  },
  'DELETE /api/keys/{id}': { kind: 'keys', what: ({ answer }) => `Revoked the key “${answer.name}”` },
  'POST /api/signing-secrets': { kind: 'keys', what: () => 'Made a secret that signs quotes' },
  'PUT /api/carriers/{name}': { kind: 'connections', what: ({ params }) => `Changed where ${params.name} is asked` },
  'DELETE /api/carriers/{name}': {
    kind: 'connections',
    what: ({ params }) => `Has ${params.name} asked at the usual address again`,
  },
  'POST /api/receivers': { kind: 'connections', what: ({ body }) => `Has ${body.address} told of releases` },
  'DELETE /api/receivers/{id}': {
    kind: 'connections',
    before: receiverNamed,
    what: ({ named }) => `Tells ${named} nothing more`,
  },
  'POST /api/receivers/{id}/secret': {
    kind: 'connections',
    before: receiverNamed,
    what: ({ named }) => `Made another secret for ${named}`,
  },
  'POST /api/receivers/{id}/again': {
    kind: 'connections',
    before: receiverNamed,
    what: ({ named }) => `Told ${named} again`,
  },
  'PUT /api/stand-ins/{name}': {
    kind: 'connections',
    what: ({ params }) => `Made the stand-in ${params.name} behave otherwise`,
  },
  'PUT /api/listed-hosts': { kind: 'connections', what: () => 'Listed hosts that surfaces are fetched from' },
  'PATCH /api/draft': { kind: 'draft', what: ({ answer }) => answer.canUndo ?? 'Edited the draft' },
  'POST /api/draft/undo': { kind: 'draft', what: ({ answer }) => `Took back: ${answer.canRedo ?? 'an edit'}` },
  'POST /api/draft/redo': { kind: 'draft', what: ({ answer }) => `Did again: ${answer.canUndo ?? 'an edit'}` },
  'POST /api/draft/repair': { kind: 'draft', what: () => 'Repaired what is stored of the draft' },
  'POST /api/pictures': { kind: 'draft', what: () => 'Kept a picture' },
  'POST /api/releases': { kind: 'release', what: ({ answer }) => `Made release ${answer.number}${noted(answer.note)}` },
  'POST /api/releases/asked': { kind: 'release', what: ({ answer }) => `Asked for a release${noted(answer.note)}` },
  'DELETE /api/releases/asked': {
    kind: 'release',
    what: () => 'Took back, or declined, the release that was asked for',
  },
  'POST /api/releases/asked/agreement': {
    kind: 'release',
    what: ({ answer }) => `Agreed to release ${answer.number}, which ${answer.releasedBy} had asked for`,
  },
  'POST /api/releases/{number}/roll-back': {
    kind: 'release',
    what: ({ params, answer }) => `Rolled back to release ${params.number}, as release ${answer.number}`,
  },
  'POST /api/surfaces/{id}/done': {
    kind: 'release',
    what: ({ params }) => `Said that the surface ${params.id} is in line`,
  },
  'POST /api/surfaces/{id}/fetch': { kind: 'release', what: ({ params }) => `Fetched the surface ${params.id}` },
  'PUT /api/surfaces/{id}/text': {
    kind: 'release',
    what: ({ params }) => `Handed in the text of the surface ${params.id}`,
  },
  'PATCH /api/products/{id}': { kind: 'data', what: ({ answer }) => `Changed the product ${answer.product.sku}` },
  'POST /api/orders': { kind: 'data', what: () => 'Reported orders' },
  'POST /api/shoppers/forget': { kind: 'data', what: () => 'Had a shopper forgotten' },
  'POST /api/orders/cancel': { kind: 'data', what: () => 'Took orders back' },
  'POST /api/imports/{id}/apply': {
    kind: 'data',
    what: ({ answer }) => `Imported ${answer.kind} from ${answer.fileName}`,
  },
  'POST /api/imports/{id}/cancel': {
    kind: 'data',
    what: ({ answer }) => `Stopped importing ${answer.kind} from ${answer.fileName}`,
  },
  'POST /api/rates/fetch': { kind: 'data', what: () => 'Fetched rates' },
  'POST /api/rates/import': { kind: 'data', what: () => 'Imported rates' },
  'POST /api/demo': { kind: 'data', what: () => 'Loaded the demo store' },
  'POST /api/exports': { kind: 'export', what: ({ body }) => `Saved ${body.file}` },
  'GET /api/audit.csv': { kind: 'export', what: () => 'Saved the audit' },
  'GET /api/imports/{id}/rejected.csv': {
    kind: 'export',
    what: ({ params }) => `Saved the rejected rows of import ${params.id}`,
  },
};
