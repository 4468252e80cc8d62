import { usePolicy } from '../../page/draft-context.tsx';
import { useFindingsAt } from '../../findings/check-up.ts';
import { findingHref } from '../../findings/finding-href.ts';

/** Texts of an offer with mistakes that reach shoppers, as the check-up has found them. */
export function TextWarnings({ offerId }: { offerId: string }) {
  const policy = usePolicy();
  const wrong = useFindingsAt(`/wording/${offerId}`).filter(({ severity }) => severity === 'wrong');
  if (wrong.length === 0) return null;
  return (
    <div className="mt-2 border-l-2 border-error py-1 pl-3 leading-5" data-testid="text-warnings">
      <p className="font-semibold text-error">
        {wrong.length === 1 ? 'A mistake in texts' : `${wrong.length} mistakes in texts`}:
      </p>
      <ul>
        {wrong.map((finding) => (
          <li key={finding.id}>
            {finding.sentence}{' '}
            <a className="link link-primary" href={findingHref(policy, finding)}>
              mend it
            </a>
          </li>
        ))}
      </ul>
    </div>
  );
}
