import { useMemo, useState } from 'react';
import {
  addLine,
  addStep,
  chargeLike,
  removeLine,
  setCharge,
  setMeasure,
  takeBeyondPresets,
} from '../../../client/edits/option-edits.ts';
import { renumber, setAt } from '../../../client/edits/set-at.ts';
import { type ChargeWords } from '../../../core/charges/charge-in-words.ts';
import { countMeasures, measures as measureWords } from '../../../core/cart/charge-measure.ts';
import { carriersOf } from '../../../core/charges/carriers-of.ts';
import { priceKinds } from '../../../core/charges/prices/registry.ts';
import { presetOfCharge, type ChargePreset } from '../../../core/charges/presets.ts';
import { shadowedLines } from '../../../core/charges/shadowed-lines.ts';
import { localMoneyOf } from '../../../core/money/local-amount.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Charge } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { SortableRows } from '../../../ui/SortableRows.tsx';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { GuardedEdits, useEdit, useGuardedEdit } from '../../page/use-edit.tsx';
import { parsePercent } from '../../fields/typed-text.ts';
import { EditedField } from '../../fields/EditedField.tsx';
import { AmountField } from '../../fields/AmountField.tsx';
import { CarrierTest } from './CarrierTest.tsx';
import { ChargeLineRow } from './ChargeLineRow.tsx';
import { useLinesTaken } from './use-lines-taken.ts';

const kinds: [ChargePreset['kind'], string][] = [
  ['flat', 'one price'],
  ['perItem', 'a price for each item'],
  ['firstAndFurther', 'a price for the first item and for each further one'],
  ['stepsByValue', 'steps of goods value'],
  ['stepsByCount', 'steps of a measure'],
  ['baseAndFactor', 'a base and a factor'],
];
const measures = countMeasures.map((measure) => [measure, measureWords[measure].name] as const);

/** A charge: one of the usual kinds, or lines of one's own over the same structure. */
export function ChargeEditor({
  optionId,
  charge,
  marketId,
  currency,
  words,
}: {
  optionId: string;
  charge: Charge;
  marketId: string;
  currency: string;
  words: ChargeWords;
}) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [cart, setCart] = useState('');
  const settled = useDraft((state) => state.settled.options[optionId]?.charge);
  const preset = presetOfCharge(charge);
  const lines = inOrder(charge.lines);
  const ids = lines.map(([id]) => id);
  const shadowed = useMemo(() => shadowedLines(charge, localMoneyOf(policy, marketId)), [charge, policy, marketId]);
  const carts = useMemo(() => inOrder(policy.testCarts).filter(([, { pinned }]) => pinned), [policy.testCarts]);
  const taken = useLinesTaken(optionId, cart === '' ? null : cart);
  const at = (...steps: string[]) => ['options', optionId, 'charge', ...steps];
  const stepped = preset?.kind === 'stepsByCount' || preset?.kind === 'stepsByValue';
  const indexOf = new Map(ids.map((id, index) => [id, index + 1]));
  return (
    <GuardedEdits edit={edit}>
      <div className="mt-1 border-l-2 border-hairline pl-3" data-testid="charge-editor">
        {refusal}
        <KindPhrase optionId={optionId} charge={charge} preset={preset} words={words} />
        <SortableRows
          ids={ids}
          nameOf={(id) => `line ${ids.indexOf(id) + 1}`}
          move={(id, by) => edit(renumber(at('lines'), id, by))}
        >
          <ol>
            {lines.map(([id, line], index) => (
              <ChargeLineRow
                key={id}
                optionId={optionId}
                lineId={id}
                line={line}
                settled={settled?.lines[id]}
                number={index + 1}
                marketId={marketId}
                currency={currency}
                free={!preset}
                stepped={stepped}
                lit={taken?.lines.has(id) ?? false}
                shadowedBy={(shadowed.get(id) ?? []).map((other) => indexOf.get(other)!)}
                removable={lines.length > 1}
                remove={() => edit(removeLine(optionId, id))}
              />
            ))}
          </ol>
        </SortableRows>
        {carriersOf(charge).length > 0 && (
          <CarrierTest
            charge={charge}
            marketId={marketId}
            country={policy.markets[marketId]!.countries[0] ?? policy.store.origin.country}
          />
        )}
        <p className="flex flex-wrap items-baseline gap-x-3 text-small">
          {stepped && (
            <button type="button" className="btn btn-xs" onClick={() => edit(addStep(optionId))} data-testid="add-step">
              Add a step
            </button>
          )}
          {!preset && (
            <>
              {priceKinds.all.map(({ offered, begin }) => (
                <button
                  key={offered}
                  type="button"
                  className="btn btn-xs"
                  onClick={() => edit(addLine(optionId, begin()))}
                >
                  {offered}
                </button>
              ))}
            </>
          )}
          {!preset && <OtherwisePhrase at={at} charge={charge} marketId={marketId} />}
          <HandlingPhrase at={at} charge={charge} marketId={marketId} />
          <span>
            Light up the line that{' '}
            <PhraseSelect
              label="Cart whose line is lit"
              quiet={cart === ''}
              value={cart}
              options={[['', 'no cart'], ...carts.map(([id, { name }]) => [id, name] as const)]}
              choose={setCart}
              testId="lit-cart"
            />{' '}
            takes
            {taken && <span className="text-soft"> {taken.said}</span>}
          </span>
        </p>
      </div>
    </GuardedEdits>
  );
}

/** What kind of charge it is, and what it says. */
function KindPhrase({
  optionId,
  charge,
  preset,
  words,
}: {
  optionId: string;
  charge: Charge;
  preset: ChargePreset | null;
  words: ChargeWords;
}) {
  const edit = useEdit();
  return (
    <p>
      It costs{' '}
      <PhraseSelect
        label="Kind of charge"
        value={preset?.kind ?? 'own'}
        options={[...kinds, ['own', 'lines of its own']]}
        choose={(kind) =>
          edit(
            kind === 'own'
              ? takeBeyondPresets(optionId)
              : setCharge(optionId, chargeLike(kind as ChargePreset['kind'], charge)),
          )
        }
        testId="charge-kind"
      />
      {(preset?.kind === 'stepsByCount' || preset?.kind === 'baseAndFactor') && (
        <>
          {' '}
          by{' '}
          <PhraseSelect
            label="Measure"
            value={preset.measure}
            options={measures}
            choose={(measure) => edit(setMeasure(optionId, measure as (typeof measures)[number][0]))}
            testId="charge-measure"
          />
        </>
      )}
      {!preset && (
        <>
          :{' '}
          <PhraseSelect
            label="Of the lines that apply"
            value={charge.combine}
            options={[
              ['first', 'the first line that applies'],
              ['sum', 'the sum of the lines that apply'],
              ['highest', 'the highest of the lines that apply'],
              ['lowest', 'the lowest of the lines that apply'],
            ]}
            choose={(combine) => edit(setAt(['options', optionId, 'charge', 'combine'], combine))}
            testId="charge-combine"
          />
        </>
      )}
      . <span className="text-soft">{words.charge(charge)}</span>
    </p>
  );
}

interface PartProps {
  at: (...steps: string[]) => string[];
  charge: Charge;
  marketId: string;
}

function OtherwisePhrase({ at, charge: { otherwise }, marketId }: PartProps) {
  const edit = useEdit();
  return (
    <span>
      When no line applies it is{' '}
      <PhraseSelect
        label="When no line applies"
        value={otherwise.kind}
        options={[
          ['notOffered', 'not offered'],
          ['price', 'offered for'],
        ]}
        choose={(kind) => edit(setAt(at('otherwise'), kind === 'price' ? { kind, price: { exact: 0 } } : { kind }))}
      />{' '}
      {otherwise.kind === 'price' && (
        <AmountField
          label="Price when no line applies"
          amount={otherwise.price}
          marketId={marketId}
          change={(amount) => setAt(at('otherwise', 'price'), amount)}
        />
      )}
    </span>
  );
}

function HandlingPhrase({ at, charge: { handling }, marketId }: PartProps) {
  const edit = useEdit();
  return (
    <span>
      Handling{' '}
      <PhraseSelect
        label="Handling"
        value={handling ? Object.keys(handling)[0]! : ''}
        options={[
          ['', 'none'],
          ['amount', 'an amount'],
          ['percent', 'a percentage'],
        ]}
        choose={(kind) => edit(setAt(at('handling'), firstHandlings.get(kind)))}
        testId="handling"
      />{' '}
      {handling && 'amount' in handling && (
        <AmountField
          label="Handling"
          amount={handling.amount}
          marketId={marketId}
          change={(amount) => setAt(at('handling', 'amount'), amount)}
        />
      )}
      {handling && 'percent' in handling && (
        <>
          <EditedField
            label="Handling, percent"
            shown={handling.percent}
            parse={parsePercent}
            change={(percent) => setAt(at('handling', 'percent'), percent)}
            live
            align="right"
          />{' '}
          % of the charge
        </>
      )}
    </span>
  );
}

/** Handling as it begins, by its kind; none for none. */
const firstHandlings = new Map<string, Charge['handling']>([
  ['amount', { amount: { exact: 100 } }],
  ['percent', { percent: '5' }],
]);
