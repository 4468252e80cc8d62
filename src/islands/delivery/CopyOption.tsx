import { useMemo, useState } from 'react';
import { copyOptions } from '../../client/edits/option-edits.ts';
import { minorPerMajor, priceUnit } from '../../core/money/currency.ts';
import { inOrder } from '../../core/ordered.ts';
import { copyOption } from '../../core/options/copy-option.ts';
import type { DeliveryOption } from '../../core/policy/types.ts';
import { inTurn } from '../../client/edits/set-at.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useGuardedEdit } from '../page/use-edit.tsx';

/** Copies an option, or all of its zone, to other zones: amounts converted and rounded, looked at before it is done. */
export function CopyOption({
  optionId,
  option,
  marketId,
}: {
  optionId: string;
  option: DeliveryOption;
  marketId: string;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [what, setWhat] = useState<'this' | 'all'>('this');
  const [rounding, setRounding] = useState('0.5');
  const [done, setDone] = useState('');
  const here = policy.markets[marketId]!.currency;
  const zoneIds = chosen.filter((id) => policy.zones[id]);
  const others = inOrder(policy.zones).filter(([id]) => id !== option.zone && !chosen.includes(id));
  const ids = useMemo(
    () =>
      what === 'this'
        ? [optionId]
        : inOrder(policy.options)
            .filter(([, { zone }]) => zone === option.zone)
            .map(([id]) => id),
    [what, optionId, option.zone, policy.options],
  );
  const previews = useMemo(
    () =>
      chosen.flatMap((zoneId) => {
        const zone = policy.zones[zoneId];
        const currency = zone && policy.markets[zone.market]?.currency;
        return currency
          ? [
              {
                zoneId,
                name: zone.name,
                currency,
                copies: ids.map((id) => ({
                  name: policy.options[id]!.name,
                  copy: copyOption(policy, id, zoneId, stepIn(currency, rounding)),
                })),
              },
            ]
          : [];
      }),
    [policy, ids, chosen, rounding],
  );
  const wrong = previews.flatMap(({ name, copies }) =>
    copies.flatMap(({ copy }) => (copy.ok ? [] : [`${name}: ${copy.reason}`])),
  )[0];
  const converts = previews.some(({ currency }) => currency !== here);
  const choose = (zones: readonly string[]) => {
    setChosen(zones);
    setDone('');
  };
  const copy = () => {
    if (!edit(inTurn(...previews.map(({ zoneId, currency }) => copyOptions(ids, zoneId, stepIn(currency, rounding))))))
      return;
    setDone(`Copied to ${previews.map(({ name }) => name).join(', ')}. Undo takes all of it back.`);
    setChosen([]);
  };
  return (
    <div className="text-small">
      <p>
        Copy{' '}
        <PhraseSelect
          label="What is copied"
          value={what}
          options={[
            ['this', 'this option'],
            ['all', 'all options of this zone'],
          ]}
          choose={(value) => setWhat(value as 'this' | 'all')}
          testId="copy-what"
        />{' '}
        to{' '}
        {zoneIds.map((id) => (
          <span key={id} className="mr-2">
            {policy.zones[id]!.name}
            <Remove
              what={`${policy.zones[id]!.name} from the zones to copy to`}
              remove={() => choose(chosen.filter((other) => other !== id))}
            />
          </span>
        ))}
        <PhraseSelect
          label="Zone to copy to"
          quiet
          value=""
          options={[
            ['', zoneIds.length === 0 ? 'another zone' : 'and another zone'],
            ...others.map(([id, { name, market }]) => [id, `${name}, ${policy.markets[market]?.name}`] as const),
          ]}
          choose={(id) => id !== '' && choose([...chosen, id])}
          testId="copy-to"
        />
        {converts && (
          <>
            , converted amounts rounded to{' '}
            <PhraseSelect
              label="Converted amounts are multiples of"
              value={rounding}
              options={roundingsIn([...new Set(previews.map(({ currency }) => currency))])}
              choose={setRounding}
              testId="copy-step"
            />
          </>
        )}
      </p>
      {refusal}
      {wrong && <p className="text-error">{wrong} Nothing can be copied there.</p>}
      {previews.length > 0 && !wrong && (
        <div className="border-l-2 border-primary pl-3" data-testid="copy-preview">
          {previews.map(({ zoneId, name, currency, copies }) => (
            <div key={zoneId}>
              {previews.length > 1 && <p className="text-soft">To {name}</p>}
              <ul>
                {copies.map((one, index) => (
                  <li key={index}>
                    <strong>{one.name}</strong>{' '}
                    {one.copy.ok &&
                      (one.copy.converted.length === 0
                        ? 'as it is'
                        : one.copy.converted
                            .map(({ from, to }) => `${money(from, here)} becomes ${money(to, currency)}`)
                            .join(', '))}
                  </li>
                ))}
              </ul>
            </div>
          ))}
          <button type="button" className="btn btn-xs btn-primary" onClick={copy} data-testid="copy-now">
            Copy {ids.length === 1 ? 'it' : `all ${ids.length}`}
            {previews.length > 1 ? ` to ${previews.length} zones` : ''}
          </button>
        </div>
      )}
      {done && <p role="status">{done}</p>}
    </div>
  );
}

/** Multiples to round to, per currency among those copied to: one without minor units takes a hundred times as much. */
function roundingsIn(currencies: readonly string[]): [string, string][] {
  const whole = currencies.filter((currency) => minorPerMajor(currency) === 1);
  return ['0.05', '0.1', '0.5', '1', '5'].map((value) => [
    value,
    [
      ...(whole.length < currencies.length ? [Number(value).toFixed(2)] : []),
      ...whole.map((currency) => `${currency} ${Number(value) * 100}`),
    ].join(', '),
  ]);
}

/** Minor units that converted amounts are multiples of. */
const stepIn = (currency: string, rounding: string) => Math.max(1, Math.round(Number(rounding) * priceUnit(currency)));
