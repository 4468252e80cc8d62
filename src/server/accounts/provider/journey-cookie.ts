import { cookieOf, hostCookie } from '../host-cookie.ts';
import { goodFor } from './journeys.ts';

/** Shows that the browser which comes back is the one that went: an address sent by somebody else signs nobody in. */
const journeyCookie = '__Host-summant-journey';

export const settingJourneyCookie = (token: string): string => hostCookie(journeyCookie, token, goodFor * 60);
export const journeyToken = (request: Request): string | null => cookieOf(request, journeyCookie);
