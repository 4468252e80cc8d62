import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { Choices } from '../../contract/shapes/choices.ts';
import { Alert } from '../../ui/Alert.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useMayNot } from '../page/page-context.tsx';
import { useAsking } from '../page/use-asking.ts';

const forGood = 'for good';
const spans: readonly (readonly [string, string])[] = [
  [forGood, forGood],
  ['90', 'for three months'],
  ['183', 'for half a year'],
  ['365', 'for a year'],
  ['730', 'for two years'],
  ['1095', 'for three years'],
  ['1825', 'for five years'],
  ['3650', 'for ten years'],
];
const written = (days: number | null): string => (days === null ? forGood : String(days));

/** For how long orders are kept one by one. What it takes away does not come back, so that it is asked twice. */
export function OrdersKept({ initial }: { initial: Choices['orderDays'] }) {
  const [days, setDays] = useState(initial);
  const [wanted, setWanted] = useState<string | null>(null);
  const { busy, problem, ask } = useAsking();
  const mayNot = useMayNot('own');
  const present = written(days);
  const keep = async (chosen: string) => {
    const orderDays = chosen === forGood ? null : Number(chosen);
    const choices = await ask(() => call('PATCH /api/choices', { body: { orderDays } }));
    if (choices) setDays(choices.orderDays);
    setWanted(null);
  };
  const known = spans.some(([id]) => id === present);
  const options = known ? spans : [...spans, [present, `for ${present} days`] as const];
  return (
    <section aria-label="How long orders are kept" className="mt-6 border-t border-hairline pt-2 text-small">
      <p className="max-w-[46rem]">
        Orders are kept one by one{' '}
        {mayNot === null ? (
          <PhraseSelect
            label="How long orders are kept one by one"
            value={wanted ?? present}
            options={options}
            choose={(chosen) => {
              if (chosen === forGood || chosen === present) void keep(chosen);
              else setWanted(chosen);
            }}
            testId="orders-kept"
          />
        ) : (
          options.find(([id]) => id === present)![1]
        )}
        .{' '}
        <span className="text-soft">
          Of older ones stays what is computed from: day, value, delivery, option, pieces, weight, country and region,
          code, and whether the shopper came back. Their numbers, times, shoppers, postcodes and goods go.
        </span>
      </p>
      {wanted !== null && (
        <p className="mt-1" role="status">
          Whole months go, once all of their orders are older. What is gone does not come back, and files with such
          orders are no longer taken.{' '}
          <button
            type="button"
            className="btn btn-xs"
            disabled={busy}
            onClick={() => void keep(wanted)}
            data-testid="keep-so-long"
          >
            Keep them so long
          </button>{' '}
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => setWanted(null)}>
            Leave it
          </button>
        </p>
      )}
      {problem && <Alert className="mt-1">{`${problem.title}. ${problem.detail}`}</Alert>}
    </section>
  );
}
