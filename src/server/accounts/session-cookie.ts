import { cookieOf, hostCookie } from './host-cookie.ts';

const sessionCookie = '__Host-summant-session';

/** @param days for which the browser keeps it */
export const settingCookie = (token: string, days: number): string => hostCookie(sessionCookie, token, days * 86_400);

export const clearingCookie = hostCookie(sessionCookie, '', 0);

/** The session that a request shows; null where that is nothing that was ever given. */
export const sessionToken = (request: Request): string | null => cookieOf(request, sessionCookie);
