/// <reference types="astro/client" />
import type { Person } from './server/accounts/person.ts';
import type { turnAway } from './server/at-the-door.ts';

declare global {
  namespace App {
    interface Locals {
      /** address of whoever asks, as far as trusted proxies tell; null: it is not known */
      client?: () => string | null;
      /** whether it is this machine, without a proxy between; without, as when developing, it is */
      isLocal?: () => boolean;
      /** what the server asks before it hands a request over */
      door?: { turnAway: typeof turnAway };
      /** the name that the log has for the request */
      requestId?: string;
      /** who a page is shown to; null: whoever comes */
      person?: Person | null;
    }
  }
}
