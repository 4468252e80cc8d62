import { countMeasures } from '../cart/charge-measure.ts';
import { chargeOfPreset, presetOfCharge, type ChargePreset } from '../charges/presets.ts';
import { currencyExponent } from '../money/currency.ts';
import { parseAmount, toDecimal } from '../money/decimal.ts';
import { localMoneyOf, resolveAmount } from '../money/local-amount.ts';
import { inOrder } from '../ordered.ts';
import type { Charge, LocalAmount, Policy } from '../policy/types.ts';
import { CsvReader } from '../tabular/csv-reader.ts';
import { guessDelimiter } from '../tabular/guess-delimiter.ts';

/** Columns of a rate sheet; docs/rate-sheets.md says what each holds. */
export const rateSheetColumns = ['option', 'name', 'measure', 'from', 'price', 'currency'] as const;

type SheetRow = [option: string, name: string, measure: string, from: string, price: string, currency: string];

/** The money of the market that a zone is in. */
const moneyOfZone = (policy: Policy, zoneId: string) => localMoneyOf(policy, policy.zones[zoneId]?.market ?? '');

/**
 * The options of a zone, or of all, as rows, one a step: flat prices have one row without a measure. Charges that are neither
 * flat nor steps cannot be said in a sheet and are left out.
 *
 * @param zoneId null for every zone of every market
 */
export function rateSheet(policy: Policy, zoneId: string | null): { rows: SheetRow[]; left: string[] } {
  const rows: SheetRow[] = [];
  const left: string[] = [];
  for (const [id, { zone, name, charge }] of inOrder(policy.options)) {
    if (zoneId !== null && zone !== zoneId) continue;
    const money = moneyOfZone(policy, zone);
    const write = (amount: LocalAmount) => toDecimal(resolveAmount(amount, money) ?? 0, money.currency);
    const preset = presetOfCharge(charge);
    if (preset?.kind === 'flat') rows.push([id, name, '', '', write(preset.price), money.currency]);
    else if (preset?.kind === 'stepsByValue')
      for (const { from, price } of preset.steps)
        rows.push([id, name, 'goodsValue', write(from), write(price), money.currency]);
    else if (preset?.kind === 'stepsByCount')
      for (const { from, price } of preset.steps)
        rows.push([id, name, preset.measure, String(from), write(price), money.currency]);
    else left.push(name);
  }
  return { rows, left };
}

interface SheetRejection {
  line: number;
  column: string;
  reason: string;
}

/** What a sheet would change. */
export interface SheetReading {
  /** option → its charge as the sheet has it, only where it differs */
  charges: Map<string, Charge>;
  same: string[];
  rejected: SheetRejection[];
}

interface Step {
  line: number;
  measure: string;
  from: string;
  price: number;
}

/**
 * Reads a rate sheet of a zone, or of all. Rows of one option may stand anywhere; one bad row leaves its option as it is.
 *
 * @param zoneId null for every zone of every market
 */
export function readRateSheet(text: string, policy: Policy, zoneId: string | null): SheetReading {
  const reading: SheetReading = { charges: new Map(), same: [], rejected: [] };
  const moneyOf = (option: string) => moneyOfZone(policy, policy.options[option]!.zone);
  const plain = text.replace(/^\ufeff/, '');
  let columns: Map<string, number> | null = null;
  const steps = new Map<string, Step[]>();
  const spoiled = new Set<string>();
  const reject = (line: number, column: string, reason: string, option?: string) => {
    reading.rejected.push({ line, column, reason });
    if (option !== undefined) spoiled.add(option);
  };
  const row = (fields: string[], line: number) => {
    if (!columns) {
      columns = new Map(fields.map((name, index) => [name.trim(), index]));
      for (const name of ['option', 'measure', 'from', 'price', 'currency'])
        if (!columns.has(name)) reject(line, name, 'this column is missing');
      return;
    }
    const cell = (name: string) => fields[columns!.get(name) ?? -1]?.trim() ?? '';
    const option = cell('option');
    const zone = Object.hasOwn(policy.options, option) ? policy.options[option]!.zone : undefined;
    if (zone === undefined || (zoneId !== null && zone !== zoneId))
      return reject(line, 'option', `there is no option “${option}”${zoneId === null ? '' : ' in this zone'}`);
    const money = moneyOf(option);
    if (cell('currency') !== money.currency) return reject(line, 'currency', `must be ${money.currency}`, option);
    const price = minorOf(cell('price'), money.currency);
    if (price === null)
      return reject(
        line,
        'price',
        `must be an amount such as 6.95 with at most ${currencyExponent(money.currency)} decimals`,
        option,
      );
    const list = steps.get(option) ?? [];
    list.push({ line, measure: cell('measure'), from: cell('from'), price });
    steps.set(option, list);
  };
  const reader = new CsvReader(guessDelimiter(plain), { row, fault: (reason, line) => reject(line, '', reason) });
  reader.push(plain);
  reader.end();
  for (const [option, list] of steps) {
    if (spoiled.has(option)) continue;
    const money = moneyOf(option);
    const preset = presetOf(list, money.currency, (line, column, reason) => reject(line, column, reason, option));
    if (!preset) continue;
    const before = presetOfCharge(policy.options[option]!.charge);
    // A sheet does not say what counts as a kilogram: that stays as it is.
    if (preset.kind === 'stepsByCount' && before?.kind === 'stepsByCount' && before.volumeDivisor !== undefined)
      preset.volumeDivisor = before.volumeDivisor;
    if (sameSheet(before, preset, (amount) => resolveAmount(amount, money))) reading.same.push(option);
    else reading.charges.set(option, chargeOfPreset(preset));
  }
  return reading;
}

function presetOf(
  list: readonly Step[],
  currency: string,
  reject: (line: number, column: string, reason: string) => void,
): ChargePreset | null {
  const [first] = list;
  if (!first) return null;
  const odd = list.find(({ measure }) => measure !== first.measure);
  if (odd) return (reject(odd.line, 'measure', 'differs from the other rows of this option'), null);
  if (first.measure === '') {
    if (list.length === 1) return { kind: 'flat', price: { exact: first.price } };
    return (reject(list[1]!.line, 'measure', 'several rows of an option need a measure'), null);
  }
  const money = first.measure === 'goodsValue';
  const measure = countMeasures.find((one) => one === first.measure);
  if (!money && !measure)
    return (reject(first.line, 'measure', `must be goodsValue, ${countMeasures.join(', ')} or empty`), null);
  const steps: { from: number; price: LocalAmount }[] = [];
  for (const { line, from, price } of list) {
    const count = /^\d{1,9}$/.test(from) ? Number(from) : null;
    const start = money ? minorOf(from, currency) : count;
    if (start === null)
      return (reject(line, 'from', money ? 'must be an amount such as 40.00' : 'must be a whole number'), null);
    if (steps.some((step) => step.from === start)) return (reject(line, 'from', 'stands there twice'), null);
    steps.push({ from: start, price: { exact: price } });
  }
  steps.sort((a, b) => a.from - b.from);
  if (measure) return { kind: 'stepsByCount', measure, steps };
  return { kind: 'stepsByValue', steps: steps.map(({ from, price }) => ({ from: { exact: from }, price })) };
}

/** Whether two charges say the same figures, following amounts as they stand. */
function sameSheet(
  before: ChargePreset | null,
  after: ChargePreset,
  resolve: (amount: LocalAmount) => number | null,
): boolean {
  const figures = (preset: ChargePreset | null) => {
    if (preset?.kind === 'flat') return JSON.stringify(resolve(preset.price));
    if (preset?.kind === 'stepsByValue')
      return JSON.stringify(['goodsValue', ...preset.steps.map(({ from, price }) => [resolve(from), resolve(price)])]);
    return preset?.kind === 'stepsByCount'
      ? JSON.stringify([preset.measure, ...preset.steps.map(({ from, price }) => [from, resolve(price)])])
      : null;
  };
  return figures(before) === figures(after);
}

function minorOf(text: string, currency: string): number | null {
  const parsed = parseAmount(text, currency);
  return parsed.ok ? parsed.minor : null;
}
