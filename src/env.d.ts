/// <reference types="astro/client" />

declare namespace App {
  interface Locals {
    /** address of whoever asks, as far as trusted proxies tell; null: it is not known */
    client?: () => string | null;
    /** whether it is this machine, without a proxy between; without, as when developing, it is */
    isLocal?: () => boolean;
  }
}
