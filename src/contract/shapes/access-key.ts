import { Type, type Static } from '@sinclair/typebox';
import { flag, list, moment, named, nullable, object, text, word } from '../shape.ts';

/** What a key is for: pages that shoppers see, which only ask quotes; or the shop's servers. */
export type KeyKind = 'publishable' | 'secret';

/** Longest overlap of a key with the one that follows it. Hours */
export const longestOverlap = 30 * 24;
/** Keys that are live at once. */
export const mostKeys = 50;
/** Origins of a publishable key. */
export const mostOrigins = 20;

/** RFC 6454: scheme, host and port, as browsers send it. */
const origin = Type.String({
  description: 'an origin, such as https://shop.example.com, without a path',
  maxLength: 200,
  pattern: '^https?://([a-z0-9-]+(\\.[a-z0-9-]+)*|\\[[0-9a-f:]+\\])(:[1-9][0-9]{0,4})?$',
});
const origins = Type.Array(origin, { maxItems: mostOrigins, uniqueItems: true });
const keyName = Type.String({ description: 'a name', minLength: 1, maxLength: 80, pattern: '\\S' });

export const AccessKeyShape = named(
  'AccessKey',
  object({
    id: text,
    name: text,
    kind: word('publishable', 'secret'),
    origins: list(text),
    madeBy: text,
    madeAt: moment,
    endsAt: nullable(Type.String({ format: 'date-time', description: 'from then on it is refused' })),
    live: Type.Unsafe<boolean>({ ...flag, description: 'whether it is taken at the moment' }),
    followedBy: nullable(Type.String({ description: 'id of the key that was made to take its place' })),
    usedAt: nullable(Type.String({ format: 'date-time', description: 'about when it was used last' })),
  }),
);
export type AccessKey = Static<typeof AccessKeyShape>;

export const AccessKeysShape = object({ keys: list(AccessKeyShape) });
export const NewKeyShape = object({ name: keyName, kind: word('publishable', 'secret'), origins });
export const ChangedKeyShape = object({ name: keyName, origins });
export const RotationShape = object({
  overlapHours: Type.Integer({
    description: 'for so long the old one is taken as well',
    minimum: 0,
    maximum: longestOverlap,
  }),
});
/** A key that has just been made: the only time that it is told. */
export const MadeKeyShape = object({ key: AccessKeyShape, token: text });
export type MadeKey = Static<typeof MadeKeyShape>;

export const SigningSecretShape = object({
  id: text,
  madeAt: moment,
  retiredAt: nullable(Type.String({ format: 'date-time', description: 'since then it signs no more' })),
});
export type ListedSecret = Static<typeof SigningSecretShape>;
export const SigningSecretsShape = object({ secrets: list(SigningSecretShape) });
/** A secret that has just been made: the only time that it is told. */
export const MadeSecretShape = object({
  id: text,
  secret: Type.String({ description: '32 bytes, hexadecimal' }),
});
export type MadeSecret = Static<typeof MadeSecretShape>;
