import { useMemo, useState } from 'react';
import { policyChanges } from '../../core/changes/changes.ts';
import { useMayNot, useNotation, useRelease } from '../page/page-context.tsx';
import { useMoments } from '../page/use-moments.ts';
import { ChangeTable } from './ChangeList.tsx';
import { useReleasePolicy } from './use-release-policy.ts';
import { WhatChanges } from './WhatChanges.tsx';
import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { part } from '../page/parts.ts';

/** What going back to a release would change for shoppers. */
function GoingBack({ number }: { number: number }) {
  const current = useRelease();
  const policy = useReleasePolicy(number);
  const { locale } = useNotation();
  const changed = useMemo(() => {
    if (!current || !policy || policy === 'unreachable') return null;
    return { is: policy, changes: policyChanges(current.policy, policy, locale) };
  }, [current, policy, locale]);
  if (!current || !changed || changed.changes.length === 0) return null;
  return (
    <div className="mt-1 pl-12" data-testid="going-back">
      <WhatChanges was={current.policy} is={changed.is} prefix="going-back">
        <ChangeTable
          label="What going back changes"
          changes={changed.changes}
          before={`In release ${current.number}`}
          after={`In release ${number}`}
        />
      </WhatChanges>
    </div>
  );
}

/** All releases, newest first; an older one can be made current again. */
export function ReleaseList({
  releases,
  busy,
  rollBack,
}: {
  releases: ReleaseSummary[];
  busy: boolean;
  rollBack: (number: number, note: string) => Promise<boolean>;
}) {
  const write = useMoments();
  const [asking, setAsking] = useState<number | null>(null);
  const mayNot = useMayNot('release');
  return (
    <section ref={part('earlier releases')} className="mt-4" aria-label="Releases">
      <h2 className="text-lead">Releases</h2>
      <ul className="mt-1">
        {releases.map((release, index) => (
          <li
            key={release.number}
            className="border-t border-hairline py-1.5"
            data-testid={`release-${release.number}`}
          >
            <div className="flex flex-wrap items-center gap-x-4">
              <strong className="w-8 text-right">{release.number}</strong>
              <span className="min-w-40 flex-1">
                {release.note || <span className="text-soft">without a note</span>}
                {release.reason !== null && (
                  <span className="text-soft"> · released although something was wrong: {release.reason}</span>
                )}
                {release.copyOf !== null && <span className="text-soft"> · a copy of release {release.copyOf}</span>}
              </span>
              <span className="text-small text-soft">
                {write(release.releasedAt)}, {release.releasedBy}
                {release.agreedBy !== null && `, agreed by ${release.agreedBy}`}
              </span>
              {index === 0 ? (
                <span className="w-36 text-right text-primary">the shop uses this</span>
              ) : (
                <button
                  type="button"
                  className="btn btn-xs"
                  disabled={busy || mayNot !== null}
                  title={mayNot ?? undefined}
                  aria-expanded={asking === release.number}
                  onClick={() => setAsking(asking === release.number ? null : release.number)}
                >
                  Roll back to {release.number}
                </button>
              )}
            </div>
            {asking === release.number && <GoingBack number={release.number} />}
            {asking === release.number && (
              <p className="mt-1 flex flex-wrap items-center gap-3 pl-12">
                <span>
                  Shoppers get what release {release.number} says at once, as release {releases[0]!.number + 1}. Your
                  draft stays as it is.
                </span>
                <button
                  type="button"
                  className="btn btn-primary btn-sm"
                  disabled={busy}
                  onClick={() => {
                    setAsking(null);
                    void rollBack(release.number, `Rolled back to release ${release.number}`);
                  }}
                >
                  Roll back
                </button>
                <button type="button" className="btn btn-sm" onClick={() => setAsking(null)}>
                  Leave it
                </button>
              </p>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
