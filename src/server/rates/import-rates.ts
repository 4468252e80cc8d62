import { readReferenceRates } from '../../core/imports/reference-rates.ts';
import { readDraft } from '../draft/draft-store.ts';
import { ProblemError } from '../http/problem.ts';
import { readText } from '../http/read-request.ts';
import { addRates, type RatesAdded } from './rate-store.ts';

/** Thirty years of forty currencies are about 2.5 MB. */
const maxBytes = 8 * 1024 * 1024;

interface RatesImported extends RatesAdded {
  dryRun: boolean;
  currencies: string[];
  firstDay: string | null;
  lastDay: string | null;
  rejected: { line: number; column: string; reason: string }[];
}

/** @throws ProblemError 422 for a store whose base is not the euro, and for a file without rates */
export async function importRates(request: Request, dryRun: boolean): Promise<RatesImported> {
  const { policy } = await readDraft();
  if (policy.store.baseCurrency !== 'EUR')
    throw new ProblemError({
      status: 422,
      title: 'These rates are against the euro',
      detail: `The base currency of this store is ${policy.store.baseCurrency}; turning rates around would round them. Nothing was changed.`,
    });
  const { rates, rejected } = readReferenceRates(await readText(request, maxBytes));
  const days = Object.values(rates)
    .flatMap((list) => [list[0]!.day, list.at(-1)!.day])
    .sort();
  if (days.length === 0)
    throw new ProblemError({
      status: 422,
      title: 'There are no rates in this file',
      detail: `${rejected[0] ? `Line ${rejected[0].line}: ${rejected[0].column} ${rejected[0].reason}.` : 'It is empty.'} It needs a column Date and one for each currency. Nothing was changed.`,
    });
  return {
    ...(await addRates(rates, 'import', dryRun)),
    dryRun,
    currencies: Object.keys(rates).sort(),
    firstDay: days[0]!,
    lastDay: days.at(-1)!,
    rejected: rejected.slice(0, 200),
  };
}
