import type { Need } from '../../core/people/roles.ts';

/** What one has to be allowed to see a page, by its route. Calls say it in the contract. */
export const pageNeeds: Record<string, Need> = {
  '/': 'anyone',
  '/[...path]': 'anyone',
  '/sign-in': 'anyone',
  '/sign-in/back': 'anyone',
  '/sign-out': 'anyone',
  '/join': 'anyone',
  '/account': 'look',
  '/people': 'own',
  '/audit': 'own',
  '/health': 'own',
  '/markets': 'look',
  '/delivery': 'look',
  '/offers': 'look',
  '/wording': 'look',
  '/rehearse': 'look',
  '/release': 'look',
  '/orders': 'look',
  '/results': 'look',
  '/connections': 'look',
  // Answered by endpoints, which ask by themselves who may.
  '/healthz': 'anyone',
  '/readyz': 'anyone',
  '/openapi.json': 'anyone',
  '/pictures/[image]': 'anyone',
  // What outside services would answer, and what shops and their pages fetch.
  '/stand-ins/carrier': 'anyone',
  '/stand-ins/quote': 'anyone',
  '/stand-ins/rate-feed.csv': 'anyone',
  '/stand-ins/receiver': 'anyone',
  '/stand-ins/pages/[page]': 'anyone',
  '/stand-ins/provider/.well-known/openid-configuration': 'anyone',
  '/stand-ins/provider/authorize': 'anyone',
  '/stand-ins/provider/keys': 'anyone',
  '/stand-ins/provider/token': 'anyone',
  '/element/[version]/summant-offer.js': 'anyone',
};

/** A page that nobody has thought of is shown to nobody but who owns the store. */
export const needOfPage = (route: string): Need => (Object.hasOwn(pageNeeds, route) ? pageNeeds[route]! : 'own');
