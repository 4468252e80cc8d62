import { Type, type Static } from '@sinclair/typebox';
import { list, named, object, optional, text, whole } from '../shape.ts';
import { DraftAnswerShape } from './draft.ts';
import { ProductShape } from './product.ts';

/** RFC 9457: what happened, what was kept, what to do; and which fields are wrong, by JSON Pointer. */
export const ProblemShape = named(
  'Problem',
  Type.Object({
    type: text,
    title: text,
    status: whole,
    detail: text,
    fields: optional(list(object({ pointer: text, message: text }))),
    /** the newer draft, where an edit came too late */
    draft: optional(DraftAnswerShape),
    /** the product as it is, where a change of it came too late */
    product: optional(ProductShape),
  }),
);
export type Problem = Static<typeof ProblemShape>;
export type ProblemField = NonNullable<Problem['fields']>[number];
