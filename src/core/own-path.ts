/**
 * A path within Summant, as somebody is sent on to after signing in; null for anything that would lead elsewhere.
 * @param path as an address says it: from anybody
 */
export function ownPath(path: string | null): string | null {
  if (path === null || path.length > 2000) return null;
  const here = 'http://here.invalid';
  const url = URL.canParse(path, here) ? new URL(path, here) : null;
  return url?.origin === here && /^\/[^/\\]/.test(path) ? url.pathname + url.search : null;
}
