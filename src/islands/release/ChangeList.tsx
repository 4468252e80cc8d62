import type { PolicyChange } from '../../core/changes/changes.ts';

const stops: Record<PolicyChange['stop'], { name: string; href: string }> = {
  markets: { name: 'Markets', href: '/markets' },
  delivery: { name: 'Delivery', href: '/delivery' },
  offers: { name: 'Offers', href: '/offers' },
  wording: { name: 'Wording', href: '/wording' },
  store: { name: 'Store', href: '/markets' },
};

/** Each difference in a row: where, what, from what, to what. */
export function ChangeList({ changes, released }: { changes: PolicyChange[]; released: boolean }) {
  if (!released)
    return <p className="py-3">The whole draft is new to the shop, which reads nothing until the first release.</p>;
  if (changes.length === 0)
    return <p className="py-3 text-soft">The draft says the same as the release: shoppers would see no difference.</p>;
  return (
    <div className="mt-2 overflow-x-auto">
      <table className="table table-xs" aria-label="Changes">
        <thead>
          <tr className="border-b border-hairline text-small text-soft">
            <th scope="col" className="w-24 py-1 font-normal">
              Stop
            </th>
            <th scope="col" className="py-1 font-normal">
              What
            </th>
            <th scope="col" className="py-1 font-normal">
              In the release
            </th>
            <th scope="col" className="py-1 font-normal">
              In the draft
            </th>
          </tr>
        </thead>
        <tbody>
          {changes.map((change) => (
            <tr key={change.path} className="border-b border-hairline align-top" data-testid="change">
              <td className="py-1.5">
                <a className="link link-primary" href={stops[change.stop].href}>
                  {stops[change.stop].name}
                </a>
              </td>
              <td className="py-1.5 pr-4">{change.subject}</td>
              <td className="py-1.5 pr-4 text-soft">{change.before ?? 'not there'}</td>
              <td className="py-1.5 font-semibold">{change.after ?? 'taken away'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
