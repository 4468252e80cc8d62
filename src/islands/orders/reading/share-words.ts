/** Writes shares to a tenth of a percent, so that nearly all are not all (rounded down) and a few are not none (rounded up). */
export function shareWords(locale: string): (share: number, round?: 'up' | 'down') => string {
  const written = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  // What is whole in tenths but for the error of a double stays whole.
  const tiny = 1e-9;
  return (share, round = 'down') =>
    written.format(
      (round === 'down' ? Math.floor(share * 1000 + tiny) : Math.max(0, Math.ceil(share * 1000 - tiny))) / 1000,
    );
}
