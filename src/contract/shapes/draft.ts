import type { Operation } from 'rfc6902';
import { Type, type Static } from '@sinclair/typebox';
import { list, named, nullable, object, text, whole, word, written } from '../shape.ts';
import { PolicyChangeShape, PolicyShape } from './policy.ts';

const pointer = { type: 'string', maxLength: 400, pattern: '^(/([^~/]|~0|~1)*)*$' };

/** RFC 6902, bounded. Paths into prototypes do not exist in a policy and are refused by the pattern of its ids. */
export const PatchShape = written<Operation[]>({
  type: 'array',
  minItems: 1,
  maxItems: 20_000,
  items: {
    type: 'object',
    required: ['op', 'path'],
    properties: {
      op: { enum: ['add', 'remove', 'replace', 'move', 'copy', 'test'] },
      path: pointer,
      from: pointer,
      value: {},
    },
    allOf: [
      { if: { properties: { op: { enum: ['add', 'replace', 'test'] } } }, then: { required: ['value'] } },
      { if: { properties: { op: { enum: ['move', 'copy'] } } }, then: { required: ['from'] } },
    ],
  },
});

/** What the next undo and the next redo would be, in words. */
const steps = { canUndo: nullable(text), canRedo: nullable(text) };

export const DraftShape = named('Draft', object({ revision: whole, policy: PolicyShape, ...steps }));
export type Draft = Static<typeof DraftShape>;

/** For whoever has the draft of before: what has changed since then. */
export const DraftChangesShape = named(
  'DraftChanges',
  object({
    revision: whole,
    ...steps,
    since: object({ revision: whole, patch: written<Operation[]>({ type: 'array', items: { type: 'object' } }) }),
  }),
);
export type DraftChanges = Static<typeof DraftChangesShape>;

export const DraftAnswerShape = Type.Unsafe<Draft | DraftChanges>({ oneOf: [DraftShape, DraftChangesShape] });
export type DraftAnswer = Static<typeof DraftAnswerShape>;

/** An edit of the draft, as far as it concerns what was asked about. */
export const HistoricEditShape = object({
  revision: whole,
  kind: word('found', 'edit', 'undo', 'redo'),
  /** an edit that was undone, or whose undoing was left standing by a later edit */
  state: word('done', 'undone', 'dropped'),
  label: text,
  madeBy: text,
  /** ISO 8601, UTC */
  madeAt: text,
  changes: list(PolicyChangeShape),
});
export type HistoricEdit = Static<typeof HistoricEditShape>;
