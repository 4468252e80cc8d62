import { Type, type Static } from '@sinclair/typebox';
import { named, nullable, object, word } from '../shape.ts';

const said = (description: string) => nullable(Type.String({ description }));

export const WhereShape = named(
  'Where',
  object({
    address: said('that was looked up; null: it is not known'),
    country: said('ISO 3166-1; null: no table has the address'),
    region: said('ISO 3166-2; null: the country is all that is known'),
    market: said('null: none sells there'),
    sure: Type.Unsafe<'chosen' | 'found' | 'assumed'>({
      ...word('chosen', 'found', 'assumed'),
      description:
        'the shopper has chosen it; the address is in its country; nothing is known, and it is the store’s first',
    }),
  }),
);
export type Where = Static<typeof WhereShape>;
