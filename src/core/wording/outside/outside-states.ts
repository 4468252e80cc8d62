import type { TextState } from '../../offers/texts-written.ts';

/** What an offer’s texts for people outside the shop are for. They stand in no place of the shop, and no cart is known. */
export const outsideStates = [
  { id: 'newsletter', name: 'newsletter', means: 'for a mail to many; copied, not sent' },
  { id: 'landingPage', name: 'landing page', means: 'for a page that leads to the shop; copied, not sent' },
] as const satisfies readonly { id: TextState; name: string; means: string }[];

export type OutsideState = (typeof outsideStates)[number]['id'];

export const isOutside = (state: TextState): state is OutsideState => outsideStates.some(({ id }) => id === state);
