import { createHash, randomBytes } from 'node:crypto';

/** 256 bits that nobody can guess, as they stand in cookies and addresses. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What of it is kept. It is random throughout, so that no slow function is needed. */
export const hashOfToken = (token: string): Buffer => createHash('sha256').update(token).digest();
