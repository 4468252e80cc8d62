/** The one place where it is decided who a request comes from. Accounts come later; until then, the local user. */
export function userOf(_request: Request): string {
  return 'local user';
}

/** One installation serves one store. */
export const storeId = 1;
