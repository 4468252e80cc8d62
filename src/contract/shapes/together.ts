import { Type, type Static } from '@sinclair/typebox';
import { flag, list, moment, named, nullable, object, text, whole, word } from '../shape.ts';

/** A page says so often where it is, s; one that has not for three times as long is gone. */
export const presenceEvery = 10;

const page = Type.String({
  description: 'of the page itself, made anew each time it is opened',
  pattern: '^[a-z2-7]{12}$',
});

export const HereShape = object({
  page,
  place: Type.String({ maxLength: 20, description: 'the stop; empty: the page is being left' }),
  thing: Type.String({ maxLength: 120, description: 'what is being edited there; empty: nothing' }),
});
export type Here = Static<typeof HereShape>;

export const PresentShape = object({ page: text, account: text, name: text, place: text, thing: text });
export type Present = Static<typeof PresentShape>;

/** What can be commented on. */
const aboutKind = word('offer', 'option', 'finding');
const aboutId = Type.String({ minLength: 1, maxLength: 400, pattern: '^[ -~]+$', description: 'id of the thing' });
export const AboutShape = object({ kind: aboutKind, about: aboutId });
export type About = Static<typeof AboutShape>;

export const NewCommentShape = object({
  kind: aboutKind,
  about: aboutId,
  said: Type.String({ maxLength: 2000, pattern: String.raw`\S` }),
});
export type NewComment = Static<typeof NewCommentShape>;
export const CommentDoneShape = object({ done: flag });

export const CommentShape = object({
  id: text,
  said: text,
  madeBy: text,
  madeAt: moment,
  done: nullable(object({ by: text, at: moment })),
});
export type Comment = Static<typeof CommentShape>;

/** What pages are told as it changes. */
export const NewsShape = named(
  'News',
  object({
    /** revision */
    draft: whole,
    /** number of the release that the shop uses */
    release: nullable(whole),
    /** open pages of those who are signed in */
    people: list(PresentShape),
    /** things with comments that are not done, and how many */
    comments: list(object({ kind: aboutKind, about: text, open: whole })),
  }),
);
export type News = Static<typeof NewsShape>;
