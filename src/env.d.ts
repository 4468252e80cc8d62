/// <reference types="astro/client" />
import type { Person } from './server/accounts/person.ts';

declare global {
  namespace App {
    interface Locals {
      /** address of whoever asks, as far as trusted proxies tell; null: it is not known */
      client?: () => string | null;
      /** whether it is this machine, without a proxy between; without, as when developing, it is */
      isLocal?: () => boolean;
      /** the name that the log has for the request */
      requestId?: string;
      /** who a page is shown to; null: whoever comes */
      person?: Person | null;
    }
  }
}
