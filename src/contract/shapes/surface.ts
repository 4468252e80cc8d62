import { Type, type Static } from '@sinclair/typebox';
import { list, moment, nullable, object, text, whole, word } from '../shape.ts';

export const surfaceId = Type.String({ pattern: '^[a-z0-9][a-z0-9-]{0,39}$' });

/** Of a text that is compared. Letters */
export const longestContent = 1_048_576;

/** How a surface stands beside the release that the shop uses. */
export const surfaceStates = ['neverCompared', 'right', 'stale', 'unclear', 'nothingStated', 'byHand'] as const;

const counts = { right: whole, stale: whole, unclear: whole };

/** A surface as it was last read, and how it stands. */
export const SurfaceStandingShape = object({
  id: text,
  state: word(...surfaceStates),
  ...counts,
  /** statements that are right now and would not be if the draft were released */
  becomesStale: whole,
  readAt: nullable(moment),
  source: nullable(word('fetched', 'pasted', 'file')),
  /** why it could not be fetched the last time; null: it could */
  problem: nullable(text),
});
export type SurfaceStanding = Static<typeof SurfaceStandingShape>;

export const SurfacesShape = object({ release: nullable(whole), surfaces: list(SurfaceStandingShape) });

/** Something that a surface states, marked in the text. */
export const StatementFoundShape = object({
  kind: word('goal', 'price', 'perKilo', 'range', 'free', 'until', 'row'),
  /** UTF-16 units in the text */
  start: whole,
  end: whole,
  market: nullable(text),
  verdict: word('right', 'stale', 'unclear'),
  /** what it should say, as its language writes it; the first few */
  should: list(text),
  /** the release since which it is not right; null: none ever charged it */
  since: nullable(whole),
  /** of what is unclear: why */
  because: nullable(word('otherCurrency', 'onlySome', 'neverSo', 'nothingOfIt')),
});
export type StatementFound = Static<typeof StatementFoundShape>;

export const SurfaceComparedShape = object({
  standing: SurfaceStandingShape,
  /** what was read, as far as it is looked through; empty where nothing has been */
  text,
  found: list(StatementFoundShape),
  /** rows of data that are right and not shown */
  rightRows: whole,
});
export type SurfaceCompared = Static<typeof SurfaceComparedShape>;

export const SurfaceTextShape = object({
  text: Type.String({ maxLength: longestContent }),
  format: word('text', 'html', 'csv', 'xml', 'json'),
  source: word('pasted', 'file'),
});

/** `shop.example.com`, with a port where it is not the usual one. */
export const hostName = Type.String({ pattern: '^[a-z0-9]([a-z0-9.-]{0,180}[a-z0-9])?(:[0-9]{1,5})?$' });
export const HostsShape = object({ hosts: Type.Array(hostName, { maxItems: 100 }) });
