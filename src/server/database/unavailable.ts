const lostConnection = new Set([
  'PROTOCOL_CONNECTION_LOST',
  'ECONNRESET',
  'ECONNREFUSED',
  'EPIPE',
  'ETIMEDOUT',
  'ENOENT',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
  'ER_CONNECTION_KILLED',
  // A member of a cluster that has lost the others, or has not caught up with them: whoever asks, and whoever commits.
  'ER_UNKNOWN_COM_ERROR',
  'ER_ERROR_DURING_COMMIT',
]);

export function codeOf(error: unknown): string {
  return typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';
}

/** True when the database could not be reached or went away, so that trying later may help. */
export function isUnavailable(error: unknown): boolean {
  if (lostConnection.has(codeOf(error))) return true;
  return error instanceof Error && /closed state|Connection lost|Pool is closed/.test(error.message);
}
