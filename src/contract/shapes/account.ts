import type {
  AuthenticationResponseJSON,
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
  RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { Type, type Static } from '@sinclair/typebox';
import { roles } from '../../core/people/roles.ts';
import { flag, list, moment, named, object, text, whole, word, written } from '../shape.ts';

/** Characters. By OWASP ASVS 5.0, 6.2.1 and 6.2.9. */
export const shortestPassword = 12;
export const longestPassword = 128;
/** Accounts and open invitations of a store. */
export const mostPeople = 200;
/** For so many days an invitation, or a way back, is good. */
export const linkDays = 7;
/** Codes that are made at once. */
export const recoveryCodes = 8;
/** Of one account. */
export const mostPasskeys = 20;

const password = Type.String({ minLength: shortestPassword, maxLength: longestPassword });
/** Whatever is tried is looked at only up to what one may have. */
const tried = Type.String({ minLength: 1, maxLength: longestPassword });
const name = Type.String({ description: 'a name', minLength: 1, maxLength: 80, pattern: '\\S' });
const signIn = Type.String({
  description: 'what one signs in with, such as an e-mail address',
  minLength: 1,
  maxLength: 254,
  pattern: '\\S',
});
const token = Type.String({ description: 'what an address of a link ends in', minLength: 1, maxLength: 100 });
const role = word(...roles);
const markets = Type.Union(
  [Type.Array(Type.String({ minLength: 1, maxLength: 64 }), { maxItems: 200, uniqueItems: true }), Type.Null()],
  {
    description: 'ids of markets that edits and releases are limited to; null: none',
  },
);

export const SignInShape = object({ signIn, password: tried });
export const RecoveryShape = object({
  signIn,
  code: Type.String({ minLength: 1, maxLength: 40 }),
  password,
});
export const SignedInShape = object({ name: text });

export const LinkAskedShape = object({ token });
export const LinkShape = object({
  kind: word('first', 'invitation', 'way-back'),
  name: text,
  role,
  limited: Type.Unsafe<boolean>({ ...flag, description: 'whether that holds in some markets alone' }),
  madeBy: text,
  endsAt: moment,
});
export type AccountLink = Static<typeof LinkShape>;
export const LinkTakenShape = object({ token, name, signIn, password });
/** Told once. */
export const RecoveryCodesShape = object({ codes: list(text) });

export const SessionShape = object({
  id: text,
  madeAt: moment,
  usedAt: moment,
  browser: text,
  address: text,
  here: Type.Unsafe<boolean>({ ...flag, description: 'whether it is that of who asks' }),
});
export const PasskeyShape = object({
  id: text,
  name: text,
  madeAt: moment,
  usedAt: Type.Union([moment, Type.Null()]),
});
/** As Web Authentication, level 3, 5.1.8 to 5.1.10 and 5.8.1.1 writes them. */
const webAuthentication = <T>(description: string) => written<T>({ type: 'object', description });
/** A credential, of which its id is looked at first. */
const credential = <T>(description: string) =>
  written<T>({
    type: 'object',
    description,
    required: ['id'],
    properties: { id: { type: 'string', minLength: 1, maxLength: 1364, pattern: '^[A-Za-z0-9_-]+$' } },
  });
export type PasskeyMade = RegistrationResponseJSON;
export type PasskeyShown = AuthenticationResponseJSON;
export const PasskeyOptionsShape = object({
  options: webAuthentication<PublicKeyCredentialCreationOptionsJSON>('what a browser makes a passkey by'),
});
export type PasskeyOptions = Static<typeof PasskeyOptionsShape>;
export const NewPasskeyShape = object({
  name,
  response: credential<PasskeyMade>('what a browser has made'),
});
export const PasskeyWantedShape = object({
  options: webAuthentication<PublicKeyCredentialRequestOptionsJSON>('what a browser shows a passkey for'),
});
export type PasskeyWanted = Static<typeof PasskeyWantedShape>;
export const PasskeyShownShape = object({ response: credential<PasskeyShown>('what a browser has shown') });

export const OwnAccountShape = named(
  'OwnAccount',
  object({
    name: text,
    signIn: text,
    role,
    markets,
    hasPassword: flag,
    provider: Type.Union(
      [
        object({
          name: text,
          connected: Type.Union([
            object({ knownAs: text, madeAt: moment, usedAt: Type.Union([moment, Type.Null()]) }),
            Type.Null(),
          ]),
        }),
        Type.Null(),
      ],
      { description: 'the sign-in provider, and by whom of it one signs in; null: there is none' },
    ),
    codesLeft: whole,
    passkeys: list(PasskeyShape),
    sessions: list(SessionShape),
  }),
);
export type OwnAccount = Static<typeof OwnAccountShape>;
export const OwnNameShape = object({ name });
export const NewPasswordShape = object({ password: tried, next: password });
export const OwnPasswordShape = object({ password: tried });

/** Where a browser goes to sign in at the provider. */
export const ProviderAddressShape = object({ address: text });
export const ToProviderShape = object({
  next: Type.String({ description: 'a path of Summant to go on to', minLength: 1, maxLength: 2000 }),
});
export const LinkByProviderShape = object({ token, name, signIn });
export const BackFromProviderShape = object({
  query: Type.String({
    description: 'of the address that the provider sent the browser to',
    minLength: 1,
    maxLength: 8000,
  }),
});
export const CameBackShape = object({
  did: word('sign-in', 'join', 'connect'),
  name: text,
  next: text,
  codes: list(text),
});
export type CameBack = Static<typeof CameBackShape>;

export const PersonListedShape = object({
  id: text,
  name: text,
  signIn: text,
  role,
  markets,
  madeBy: text,
  madeAt: moment,
  usedAt: Type.Union([moment, Type.Null()], { description: 'about when somebody was last here under this account' }),
  self: flag,
});
export const InvitationShape = object({ id: text, name: text, role, markets, madeBy: text, endsAt: moment });
export const PeopleShape = named(
  'People',
  object({ people: list(PersonListedShape), invitations: list(InvitationShape) }),
);
export type People = Static<typeof PeopleShape>;
export const NewInvitationShape = object({ name, role, markets });
export const ChangedPersonShape = object({ role, markets });
/** A link that has just been made: the only time that it is told. */
export const MadeLinkShape = object({ path: text, endsAt: moment });
export type MadeLink = Static<typeof MadeLinkShape>;
