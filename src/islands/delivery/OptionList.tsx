import { useMemo } from 'react';
import { setOption } from '../../client/edits/option-edits.ts';
import { moveBy } from '../../client/edits/set-at.ts';
import { ChargeWords } from '../../core/charges/charge-in-words.ts';
import type { DeliveryOption, Market } from '../../core/policy/types.ts';
import { textIn } from '../../core/wording/text-in.ts';
import { SortableRow, SortableRows } from '../../ui/SortableRows.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { optionLine } from '../spend-line/option-line.ts';
import { optionKindOf } from '../../core/options/kinds/registry.ts';
import { CommentMark } from '../together/CommentMark.tsx';
import { OthersAt } from '../together/OthersHere.tsx';
import { availabilityInWords, estimatePhrase } from './option-words.ts';
import { AddOption } from './AddOption.tsx';
import { OptionDetails } from './OptionDetails.tsx';
import { part } from '../page/parts.ts';

/** The options of a zone in the order in which shoppers see them, with a row that adds to them; below stands the one looked at. */
export function OptionList({
  zoneId,
  marketId,
  market,
  options,
  open,
  setOpen,
}: {
  zoneId: string;
  marketId: string;
  market: Market;
  options: readonly (readonly [string, DeliveryOption])[];
  open: string | null;
  setOpen: (option: string) => void;
}) {
  const policy = usePolicy();
  const { money } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const words = useMemo(
    () => new ChargeWords(policy, marketId, (minor) => money(minor, market.currency)),
    [policy, marketId, money, market.currency],
  );
  const ids = options.map(([id]) => id);
  const move = (id: string, by: number) => edit(moveBy('options', ids, id, by));
  const shown = options.find(([id]) => id === open)?.[1];
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('options')} className="mt-2 border-t border-hairline" aria-label="Options in shoppers’ order">
        {refusal}
        <SortableRows ids={ids} nameOf={(id) => policy.options[id]?.name ?? id} move={move}>
          <ol data-testid={`options-of-${zoneId}`}>
            {options.map(([id, option], index) => {
              const line = optionLine(index);
              return (
                <SortableRow
                  key={id}
                  id={id}
                  className="border-b border-hairline py-1 pl-1 aria-current:bg-base-200 aria-current:shadow-[inset_3px_0_0_var(--color-primary)]"
                  aria-current={open === id ? 'true' : undefined}
                  data-thing={`option ${id}`}
                  data-testid={`row-${id}`}
                >
                  {({ handle, arrows, onKey }) => (
                    <div className="flex flex-wrap items-baseline gap-x-3 sm:flex-nowrap" onKeyDown={onKey}>
                      <span className="flex items-center self-center">
                        {handle}
                        {arrows}
                      </span>
                      <svg width="22" height="8" className="self-center" aria-hidden>
                        <line
                          x1="0"
                          x2="22"
                          y1="4"
                          y2="4"
                          strokeWidth="2.5"
                          strokeDasharray={line.dash}
                          className={line.stroke}
                        />
                      </svg>
                      <button
                        type="button"
                        className={`btn btn-ghost btn-xs shrink justify-start px-1 text-left font-semibold whitespace-normal ${option.on ? '' : 'text-soft line-through'}`}
                        aria-expanded={open === id}
                        onClick={() => setOpen(id)}
                        data-testid={`open-${id}`}
                      >
                        {option.name}
                      </button>
                      <FindingMark at={`/options/${id}`} name={option.name} />
                      <CommentMark kind="option" about={id} name={option.name} />
                      <OthersAt thing={`option ${id}`} />
                      <span className="min-w-0 flex-1 basis-60 text-small">
                        {words.charge(option.charge)}
                        <span className="text-soft">
                          {' '}
                          · {optionKindOf(option).called}, {estimatePhrase(option.estimate)} ·{' '}
                          {textIn(option.label, market.languages[0]!, market.languages)}
                        </span>
                        {option.when && (
                          <span className="block text-soft">{availabilityInWords(policy, option, marketId)}</span>
                        )}
                      </span>
                      <label className="inline-flex items-center gap-1.5 text-small">
                        <input
                          type="checkbox"
                          className="toggle toggle-xs toggle-primary"
                          checked={option.on}
                          aria-label={`${option.name} is on`}
                          onChange={(event) => edit(setOption(id, 'on', event.target.checked))}
                        />
                        {option.on ? 'on' : 'off'}
                      </label>
                    </div>
                  )}
                </SortableRow>
              );
            })}
          </ol>
        </SortableRows>
        <AddOption zoneId={zoneId} none={options.length === 0} added={setOpen} />
      </section>
      {shown && open !== null && (
        <section
          ref={part('this option')}
          className="mt-2 border-t border-hairline pt-1 outline-none"
          aria-label={`Option ${shown.name}`}
          data-thing={`option ${open}`}
          data-testid="option-details"
        >
          <OptionDetails key={open} optionId={open} option={shown} marketId={marketId} market={market} words={words} />
        </section>
      )}
    </GuardedEdits>
  );
}
