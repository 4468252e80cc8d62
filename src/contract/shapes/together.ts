import { Type, type Static } from '@sinclair/typebox';
import { list, named, nullable, object, text, whole } from '../shape.ts';

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

export const PresentShape = object({ page: text, name: text, place: text, thing: text });
export type Present = Static<typeof PresentShape>;

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
  }),
);
export type News = Static<typeof NewsShape>;
