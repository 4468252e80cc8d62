import { Type, type Static, type TObject, type TProperties, type TSchema, type TUnsafe } from '@sinclair/typebox';

/** Building blocks of what travels over HTTP: JSON Schema and its TypeScript type from one text. */

export const text = Type.String();
export const whole = Type.Integer();
export const flag = Type.Boolean();
/** ISO 8601, UTC */
export const moment = Type.String({ format: 'date-time' });
export const minor = Type.Integer({ description: 'minor units of the currency' });

/** An object with these members and no others. */
export const object = <P extends TProperties>(properties: P, options: { description?: string } = {}): TObject<P> =>
  Type.Object(properties, { additionalProperties: false, ...options });

export const list = Type.Array;
export const optional = Type.Optional;
export const nullable = <S extends TSchema>(schema: S) => Type.Union([schema, Type.Null()]);

/** One of some words. */
export const word = <const W extends readonly string[]>(...words: W): TUnsafe<W[number]> =>
  Type.Unsafe<W[number]>({ type: 'string', enum: [...words] });

/** A schema that is written elsewhere as plain JSON Schema, with the type that it stands for. */
export const written = <T>(schema: object): TUnsafe<T> => Type.Unsafe<T>(schema as unknown as TSchema);

type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;

/** A schema of what the core computes: the compiler refuses one that says anything else than the core's own type. */
export const ofCore =
  <T>() =>
  <S extends TSchema>(schema: Same<Static<S>, T> extends true ? S : never): TUnsafe<T> =>
    Type.Unsafe<T>(schema as unknown as TSchema);

/** Shapes that the document names, and that calls refer to by name. */
export const components: Record<string, TSchema> = {};

/** Gives a shape a name in the document. @returns a reference to it, of the same type */
export function named<S extends TSchema>(name: string, schema: S): TUnsafe<Static<S>> {
  components[name] = schema;
  return written<Static<S>>({ $ref: `#/components/schemas/${name}` });
}
