/** A release as lists show it: an immutable numbered copy of the policy. */
export interface ReleaseSummary {
  number: number;
  note: string;
  /** the release it is a copy of, when it came about by rolling back */
  copyOf: number | null;
  releasedBy: string;
  /** ISO 8601, UTC */
  releasedAt: string;
}
