/** The ETag of the draft at a revision, such as `"draft-17"` (RFC 9110, §8.8.3). */
export const draftEtag = (revision: number): string => `"draft-${revision}"`;

/** The revision that an ETag of the draft names; null for anything else. */
export function revisionOfEtag(etag: string): number | null {
  const match = /^"draft-(\d{1,15})"$/.exec(etag.trim());
  return match ? Number(match[1]) : null;
}
