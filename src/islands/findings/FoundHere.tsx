import type { Finding } from '../../core/check-up/finding.ts';
import { FindingTools } from './FindingTools.tsx';
import { severities } from './severity.ts';

/** What is found in one thing, each with what can be done about it. */
export default function FoundHere({ found }: { found: readonly Finding[] }) {
  return (
    <div className="flex w-96 max-w-full flex-col gap-2 p-2">
      <ul className="flex flex-col gap-2">
        {found.map((finding) => (
          <li key={finding.id}>
            <span className={severities[finding.severity].look}>{severities[finding.severity].one}</span>{' '}
            {finding.sentence} <FindingTools finding={finding} />
          </li>
        ))}
      </ul>
      <a className="link link-primary self-start" href="/release#check-up">
        All that is found
      </a>
    </div>
  );
}
