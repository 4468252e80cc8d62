import { useState } from 'react';
import { setCartPart } from '../../../client/edits/cart-edits.ts';
import type { Expectation, TestCart } from '../../../core/policy/types.ts';
import { expectationNow, missesOf } from '../../../core/test-carts/expectations.ts';
import { placeIds, places, type Place } from '../../../core/wording/places.ts';
import { missInWords } from '../../../core/test-carts/miss-in-words.ts';
import { messagesOf } from '../../rehearsal/expected-in-words.ts';
import type { Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { usePriceWords } from '../../page/use-price-words.ts';
import { TestCartFiles } from '../cart/TestCartFiles.tsx';

/** What this cart is expected to be offered and told, chosen from what is seen; the bench and the check compare it from then on. */
export function Expected({ cartId, cart, rehearsal }: { cartId: string; cart: TestCart; rehearsal: Rehearsal }) {
  const policy = usePolicy();
  const edit = useEdit();
  const { evaluation } = rehearsal;
  const now = expectationNow(evaluation, messagesOf(rehearsal));
  const { expects = {} } = cart;
  const [said, setSaid] = useState('');
  const save = (next: Expectation) => {
    const kept = Object.fromEntries(
      Object.entries(next).filter(
        ([, value]) => value !== undefined && (typeof value !== 'object' || Object.keys(value).length > 0),
      ),
    ) as Expectation;
    edit(setCartPart(cartId, 'expects', Object.keys(kept).length > 0 ? kept : undefined));
    setSaid('');
  };
  const toggle = <Part extends 'options' | 'goals' | 'messages'>(part: Part, key: string, value: unknown) => {
    const table = { ...expects[part] } as Record<string, unknown>;
    if (key in table) delete table[key];
    else table[key] = value;
    save({ ...expects, [part]: table });
  };
  const write = usePriceWords(evaluation.currency);
  const misses = missesOf(expects, evaluation, messagesOf(rehearsal));
  const rows: { key: string; label: string; seen: string; checked: boolean; toggle: () => void }[] = [
    ...Object.entries({ ...now.options, ...expects.options }).map(([id]) => ({
      key: `option ${id}`,
      label: policy.options[id]?.name ?? id,
      seen: write(now.options[id] ?? null),
      checked: expects.options?.[id] !== undefined,
      toggle: () => toggle('options', id, now.options[id] ?? null),
    })),
    ...Object.entries({ ...now.goals, ...expects.goals }).map(([id]) => ({
      key: `goal ${id}`,
      label: `goal of “${policy.offers[id]?.name ?? id}”`,
      seen: now.goals[id] ? 'reached' : 'not reached',
      checked: expects.goals?.[id] !== undefined,
      toggle: () => toggle('goals', id, now.goals[id] ?? false),
    })),
    ...placeIds.map((place: Place) => ({
      key: `message ${place}`,
      label: places[place].short,
      seen: now.messages[place] ? `“${now.messages[place]}”` : 'nothing',
      checked: expects.messages?.[place] !== undefined,
      toggle: () => toggle('messages', place, now.messages[place] ?? ''),
    })),
    {
      key: 'toPay',
      label: 'to pay',
      seen: write(now.toPay),
      checked: expects.toPay !== undefined,
      toggle: () => {
        const { toPay, ...rest } = expects;
        save(toPay === undefined ? { ...rest, toPay: now.toPay } : rest);
      },
    },
  ];
  return (
    <section aria-label="What is expected" data-testid="expected">
      <p className="flex flex-wrap items-baseline gap-x-3 py-1 text-small">
        <span className="text-soft">Tick what must stay so: bench and release say when it no longer does.</span>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() => {
            save(now);
            setSaid('All that is seen now is expected.');
          }}
          data-testid="expect-all"
        >
          Expect all of it
        </button>
        {cart.expects && misses.length > 0 && (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => save(asNow(expects, now))}
            data-testid="expect-as-now"
          >
            Expect it as it is now
          </button>
        )}
        {cart.expects && (
          <button type="button" className="btn btn-xs" onClick={() => save({})}>
            Expect nothing
          </button>
        )}
        {said && <span role="status">{said}</span>}
      </p>
      {misses.length > 0 && (
        <ul className="border-l-2 border-warning pl-3 text-small text-warning" data-testid="misses">
          {misses.map((miss, index) => (
            <li key={index}>{missInWords(miss, policy, write)}</li>
          ))}
        </ul>
      )}
      <div className="text-small sm:columns-2 sm:gap-x-8">
        {rows.map(({ key, label, seen, checked, toggle: change }) => (
          <label key={key} className="flex items-baseline gap-2 border-b border-hairline py-1">
            <input
              type="checkbox"
              className="checkbox checkbox-xs self-center"
              checked={checked}
              onChange={change}
              data-testid={`expect-${key.replace(' ', '-')}`}
            />
            <span className="flex-1 whitespace-nowrap">{label}</span>
            <span className={`min-w-0 text-right ${checked ? 'font-semibold' : 'text-soft'}`}>{seen}</span>
          </label>
        ))}
      </div>
      <TestCartFiles />
    </section>
  );
}

/** The same things as before, each as it comes out now. */
function asNow(expects: Expectation, now: Required<Expectation>): Expectation {
  const taken = <Value,>(table: Record<string, Value> | undefined, from: Record<string, Value>, otherwise: Value) =>
    table && Object.fromEntries(Object.keys(table).map((key) => [key, from[key] ?? otherwise]));
  const options = taken<number | null>(expects.options, now.options, null);
  const goals = taken(expects.goals, now.goals, false);
  const messages = taken(
    expects.messages as Record<string, string> | undefined,
    now.messages as Record<string, string>,
    '',
  );
  return {
    ...(options ? { options } : {}),
    ...(goals ? { goals } : {}),
    ...(messages ? { messages } : {}),
    ...(expects.toPay === undefined ? {} : { toPay: now.toPay }),
  };
}
