/** As programs name themselves that read pages (RFC 9110, §10.1.5), and as robots.txt may name them. */
export const userAgent = 'Summant';

/** What a host answered. */
export interface Got {
  status: number;
  /** where it leads on to; null: nowhere */
  location: string | null;
  text: string;
  /** its content-type */
  type: string;
}
