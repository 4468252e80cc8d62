import type { Severity } from '../../core/check-up/finding.ts';

/** From the worst on: how one is called, several are, and either looks. */
export const severities: Record<Severity, { one: string; several: string; look: string }> = {
  wrong: { one: 'wrong', several: 'wrong', look: 'font-semibold text-error' },
  risky: { one: 'risky', several: 'risky', look: 'text-warning' },
  remark: { one: 'remark', several: 'remarks', look: 'text-soft' },
};

export const severityIds = Object.keys(severities) as Severity[];

/** “1 wrong, 2 risky, 3 remarks”; what there is none of is left out. */
export function countsOf(found: readonly { severity: Severity }[]): string {
  return severityIds
    .flatMap((id) => {
      const count = found.filter(({ severity }) => severity === id).length;
      return count === 0 ? [] : [`${count} ${count === 1 ? severities[id].one : severities[id].several}`];
    })
    .join(', ');
}
