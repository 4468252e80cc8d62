import type { AuditEntry } from '../../contract/shapes/audit.ts';
import { useMoments } from '../page/use-moments.ts';

export function AuditTable({ entries, busy }: { entries: readonly AuditEntry[]; busy: boolean }) {
  const write = useMoments();
  if (entries.length === 0)
    return (
      <p className="py-3 text-soft" data-testid="no-entries">
        Nothing like that was done in the time that is kept.
      </p>
    );
  return (
    <div className="overflow-x-auto" role="region" aria-label="What was done" tabIndex={0}>
      <table className="table table-xs" aria-busy={busy} data-testid="audit">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col">From</th>
          </tr>
        </thead>
        <tbody>
          {entries.map(({ id, at, person, address, what }) => (
            <tr key={id}>
              <td className="align-top whitespace-nowrap">{write(at)}</td>
              <td className="align-top">{person ?? <span className="text-soft">not known</span>}</td>
              <td className="min-w-60 align-top wrap-anywhere">{what}</td>
              <td className="align-top text-soft">{address}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
