/** Keeps a choice of how things look for a year, in a cookie so that the server draws it right at once. */
export function remember(name: string, value: string): void {
  document.cookie = `${name}=${value}; path=/; max-age=31536000; samesite=lax`;
}
