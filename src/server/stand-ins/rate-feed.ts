import { dateOfDay, isoWeekday } from '../../core/time/day.ts';

/** Where each currency's rate wanders around, and how far it strays: made up, in the size of real ones. */
const wanders: Record<string, [around: number, stray: number, decimals: number]> = {
  GBP: [0.8712, 0.021, 5],
  DKK: [7.4601, 0.0006, 4],
  CHF: [0.9487, 0.019, 4],
  USD: [1.0894, 0.034, 4],
  JPY: [161.2, 0.048, 2],
  SEK: [11.32, 0.022, 4],
  NOK: [11.71, 0.026, 4],
  PLN: [4.287, 0.017, 4],
  CZK: [24.91, 0.019, 3],
  HUF: [397.4, 0.028, 2],
  CAD: [1.493, 0.024, 4],
  AUD: [1.648, 0.027, 4],
};

/**
 * A rate feed that is simulated: the same rates for the same days wherever it runs. It answers in the layout of the European
 * Central Bank's history, newest day first, without weekends.
 *
 * @param fromDay @param toDay inclusive, as day numbers
 */
export function rateFeedCsv(fromDay: number, toDay: number): string {
  const currencies = Object.keys(wanders);
  const lines = [`Date,${currencies.join(',')},`];
  for (let day = toDay; day >= fromDay; day--) {
    if (isoWeekday(day) > 5) continue;
    lines.push(`${dateOfDay(day)},${currencies.map((currency) => rateOf(currency, day)).join(',')},`);
  }
  return `${lines.join('\n')}\n`;
}

/** Slow waves whose lengths do not fit each other, and a little noise of the day. */
function rateOf(currency: string, day: number): string {
  const [around, stray, decimals] = wanders[currency]!;
  const seed = [...currency].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7);
  const wave = (length: number, phase: number) => Math.sin((2 * Math.PI * day) / length + seed * phase);
  const noise = Math.sin(day * 12.9898 + seed * 78.233) * 43758.5453;
  const away =
    0.62 * wave(431, 0.7) + 0.27 * wave(97, 1.3) + 0.11 * wave(23, 2.1) + 0.06 * (2 * (noise - Math.floor(noise)) - 1);
  return (around * (1 + stray * away)).toFixed(decimals);
}
