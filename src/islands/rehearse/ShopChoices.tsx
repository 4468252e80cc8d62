import type { SetQuery } from '../page/use-query.ts';
import { Choices } from '../../ui/Choices.tsx';

const widths = [
  ['', 'phone'],
  ['desktop', 'desktop'],
] as const;

const lays = [
  ['', 'draft'],
  ['release', 'release'],
  ['both', 'side by side'],
] as const;

/** How wide the shop is, and whether it is that of the draft, of the release, or both. */
export function ShopChoices({
  query,
  released,
  setQuery,
}: {
  query: Record<string, string>;
  released: boolean;
  setQuery: SetQuery;
}) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 pb-1 text-small">
      <Choices
        label="Width of the shop"
        choices={widths}
        chosen={query.width ?? ''}
        choose={(next) => setQuery({ width: next })}
        prefix="width"
      />
      <Choices
        label="Draft or release"
        choices={released ? lays : lays.slice(0, 1)}
        chosen={query.laid ?? ''}
        choose={(next) => setQuery({ laid: next })}
        prefix="laid"
      />
    </p>
  );
}
