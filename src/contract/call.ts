import type { TObject, TSchema } from '@sinclair/typebox';
import type { Need } from '../core/people/roles.ts';
import { ProblemShape } from './shapes/problem.ts';

/** One answer of a call: what it means, and its shape where it has one. */
export interface AnswerShape {
  says: string;
  schema?: TSchema;
  /** `application/json` when absent */
  type?: string;
}

/** Everything that is known of a call beside its method and path, which are its key. */
export interface CallShape {
  summary: string;
  /** what whoever makes it has to be allowed, unless a shop makes it with a key */
  needs: Need;
  /** looks by itself at which markets it changes; a call without it that changes anything is refused to who is limited to some */
  limited?: true;
  /** parts of the path, by name */
  params?: Record<string, TSchema>;
  query?: TObject;
  /** needs the ETag of the draft that was seen (RFC 9110, If-Match) */
  ifMatch?: true;
  /** answers with what has changed where `return=minimal` is preferred (RFC 7240) */
  prefer?: true;
  /** made by shops: with a publishable or a secret key where it only asks for quotes, else with a secret one */
  shop?: 'quotes' | 'orders';
  /** JSON, at most so many bytes, in other content types too; without a schema it is read as it comes in */
  body?: { schema: TSchema; most: number; types?: readonly string[] } | { types: readonly string[] };
  answers: Record<number, AnswerShape>;
}

/** Keeps the literal type of a group of calls, by method and path. */
export const defineCalls = <const C extends Record<`${string} /${string}`, CallShape>>(calls: C): C => calls;

export const answer = <S extends TSchema>(says: string, schema: S) => ({ says, schema });
/** An answer that is not JSON. */
export const file = (says: string, type: string) => ({ says, type });
export const nothing = (says: string) => ({ says });
export const problem = (says: string) => ({ says, schema: ProblemShape, type: 'application/problem+json' }) as const;

export const databaseAway = problem('the database cannot be reached');

/** How a shop's call may refuse whoever asks. */
export const keyRefused = {
  401: problem('a key is needed, or it is none'),
  403: problem('the key may not make this call, or not from there'),
  429: problem('too many calls within a minute; retry-after says when to call again'),
};

/** How a call that writes JSON may refuse before it looks at what is asked. */
export const writeRefused = {
  400: problem('not JSON'),
  403: problem('sent by another site'),
  413: problem('too large'),
  415: problem('not JSON by its content type'),
  503: databaseAway,
};
