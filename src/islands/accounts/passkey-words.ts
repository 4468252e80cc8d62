/** Why a browser has not made, or shown, a passkey (Web Authentication 3, 5.1.3 and 5.1.4). */
const reasons: Record<string, string> = {
  NotAllowedError: 'It was given up, or took too long.',
  InvalidStateError: 'This device has a passkey of your account already.',
  SecurityError: 'Browsers make passkeys only over https, or by localhost.',
  NotSupportedError: 'This device cannot do that.',
};

export const notMade = (error: unknown): string =>
  `There is no passkey to be had. ${reasons[error instanceof Error ? error.name : ''] ?? 'The browser does not say why.'}`;
