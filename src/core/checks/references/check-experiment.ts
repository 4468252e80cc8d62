import type { Fault } from '../../policy/fault.ts';
import type { Experiment } from '../../policy/types.ts';
import { dayNumber } from '../../time/day.ts';

/** All shoppers, in hundredths of a percent. */
const everybody = 10_000;

/**
 * What an experiment is about may go away while it stands: then it tries nothing, and the check-up says so. What it says of
 * itself must hold.
 */
export function checkExperiment(id: string, { arms, from, until, outcome }: Experiment, fault: Fault): void {
  const at = `/experiments/${id}`;
  const days = { from, until, ...(outcome ? { 'outcome/endedOn': outcome.endedOn } : {}) };
  for (const [step, date] of Object.entries(days)) if (dayNumber(date) === null) fault(`${at}/${step}`, 'is not a day');
  if (until < from) fault(`${at}/until`, `lies before its first day, ${from}`);
  const shares = Object.values(arms).reduce((sum, { share }) => sum + share, 0);
  if (shares > everybody) fault(`${at}/arms`, `have ${shares / 100} % of shoppers together`);
  if (outcome && outcome.kept !== null && !Object.hasOwn(arms, outcome.kept))
    fault(`${at}/outcome/kept`, `there is no arm "${outcome.kept}"`);
}
