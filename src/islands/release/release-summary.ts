/** A release in the list, as the server sends it. */
export interface ReleaseSummary {
  number: number;
  note: string;
  copyOf: number | null;
  releasedBy: string;
  /** ISO 8601, UTC */
  releasedAt: string;
}
