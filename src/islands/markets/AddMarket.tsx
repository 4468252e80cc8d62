import { Choice } from '../../ui/Choice.tsx';
import { countryEntries } from '../fields/choices/CountryChoice.tsx';
import { useNotation } from '../page/page-context.tsx';
import type { Coverage } from './market-marks.ts';
import { useAddMarket } from './use-add-market.ts';

/** A country chosen by name becomes a market of its own. */
export function AddMarket({
  coverage: { named },
  choose,
  first,
}: {
  coverage: Coverage;
  choose: (market: string) => void;
  /** the store has no market yet */
  first?: boolean;
}) {
  const { locale } = useNotation();
  const add = useAddMarket(choose);
  return (
    <Choice
      label={first ? 'First country' : 'Add a market'}
      shown={first ? 'Choose the first country' : 'Add a market'}
      className={first ? 'btn btn-primary btn-sm' : 'btn btn-xs'}
      placeholder="A country"
      entries={() =>
        countryEntries(locale, [], (code) => named.get(code)?.name ?? '').filter(({ value }) => !named.has(value))
      }
      choose={(code) => add([code])}
      testId="add-market"
    />
  );
}
