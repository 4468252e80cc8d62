import { useMemo, useState } from 'react';
import { copyOptions } from '../../client/option-edits.ts';
import { minorPerMajor } from '../../core/money/currency.ts';
import { inOrder } from '../../core/ordered.ts';
import { copyOption } from '../../core/options/copy-option.ts';
import type { DeliveryOption } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { usePage, usePolicy } from '../frame/page-context.tsx';
import { useGuardedEdit } from '../frame/use-guarded-edit.tsx';

/** Copies an option, or all of its zone, to another zone: amounts converted and rounded, looked at before it is done. */
export function CopyOption({ optionId, option, marketId }: { optionId: string; option: DeliveryOption; marketId: string }) {
  const policy = usePolicy();
  const { money } = usePage();
  const { edit, refusal } = useGuardedEdit();
  const [zoneId, setZoneId] = useState('');
  const [what, setWhat] = useState<'this' | 'all'>('this');
  const [rounding, setRounding] = useState('0.5');
  const [done, setDone] = useState('');
  const zones = inOrder(policy.zones).filter(([id]) => id !== option.zone);
  const target = policy.zones[zoneId];
  const there = target && policy.markets[target.market];
  const step = there ? Math.max(1, Math.round(Number(rounding) * (minorPerMajor(there.currency) === 1 ? 100 : minorPerMajor(there.currency)))) : 1;
  const ids = useMemo(() => (what === 'this' ? [optionId] : inOrder(policy.options).filter(([, { zone }]) => zone === option.zone).map(([id]) => id)), [what, optionId, option.zone, policy.options]);
  const preview = useMemo(() => (there ? ids.map((id) => ({ name: policy.options[id]!.name, copy: copyOption(policy, id, zoneId, step) })) : []), [policy, ids, zoneId, step, there]);
  const wrong = preview.flatMap(({ copy }) => (copy.ok ? [] : [copy.reason]))[0];
  const here = policy.markets[marketId]!.currency;
  return (
    <div className="text-[13px]">
      <p>
        Copy <PhraseSelect label="What is copied" value={what} options={[['this', 'this option'], ['all', 'all options of this zone']]} choose={(value) => setWhat(value as 'this' | 'all')} testId="copy-what" /> to{' '}
        <PhraseSelect
          label="Zone to copy to"
          quiet={zoneId === ''}
          value={zoneId}
          options={[['', 'another zone'], ...zones.map(([id, { name, market }]) => [id, `${name}, ${policy.markets[market]?.name}`] as const)]}
          choose={(id) => {
            setZoneId(id);
            setDone('');
          }}
          testId="copy-to"
        />
        {there && there.currency !== here && (
          <>
            , amounts rounded to <PhraseSelect label="Converted amounts are multiples of" value={rounding} options={[['0.05', '0.05'], ['0.1', '0.10'], ['0.5', '0.50'], ['1', '1.00'], ['5', '5.00']].map(([value, text]) => [value!, there.currency === 'JPY' ? String(Number(value) * 100) : text!] as const)} choose={setRounding} testId="copy-step" /> {there.currency}
          </>
        )}
      </p>
      {refusal}
      {there && wrong && <p className="text-error">{wrong} Nothing can be copied there.</p>}
      {there && !wrong && (
        <div className="border-l-2 border-primary pl-3" data-testid="copy-preview">
          <ul>
            {preview.map(({ name, copy }, index) => (
              <li key={index}>
                <strong>{name}</strong>{' '}
                {copy.ok && (copy.converted.length === 0 ? 'as it is' : copy.converted.map(({ from, to }) => `${money(from, here)} becomes ${money(to, there.currency)}`).join(', '))}
              </li>
            ))}
          </ul>
          <button type="button" className="btn btn-xs btn-primary" onClick={() => edit(copyOptions(ids, zoneId, step)) && (setZoneId(''), setDone(`Copied to ${target.name}. Undo takes all of it back.`))} data-testid="copy-now">
            Copy {preview.length === 1 ? 'it' : `all ${preview.length}`}
          </button>
        </div>
      )}
      {done && <p role="status">{done}</p>}
    </div>
  );
}
