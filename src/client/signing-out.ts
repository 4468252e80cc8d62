const askedFor = 'summant-signing-out';

/**
 * Leaves the page first and ends the session from the next one: a page that is still there asks for more and listens, and
 * would be refused.
 */
export function signOut(): void {
  sessionStorage.setItem(askedFor, 'yes');
  window.location.assign('/sign-out');
}

/** Whether that was asked for here, once: an address, which anybody may send, signs nobody out. */
export function takeSigningOut(): boolean {
  const asked = sessionStorage.getItem(askedFor) !== null;
  sessionStorage.removeItem(askedFor);
  return asked;
}
