import type { Finding, Severity } from './finding.ts';
import type { Examined } from './kind.ts';
import { findingKinds } from './registry.ts';

const rank: Record<Severity, number> = { wrong: 0, risky: 1, remark: 2 };

/** Everything that the check-up has to say, the worst first, then along the trail. */
export function checkUp(examined: Examined): Finding[] {
  return findingKinds.all
    .flatMap(({ kind, stop, find }) =>
      find(examined).map((found): Finding => {
        const id = [kind, found.at, ...(found.key === undefined ? [] : [found.key])].join(' ');
        return { ...found, id, kind, stop };
      }),
    )
    .sort((a, b) => rank[a.severity] - rank[b.severity]);
}
