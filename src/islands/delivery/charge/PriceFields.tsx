import { Fragment } from 'react';
import type { Edit } from '../../../client/edits/edit.ts';
import type { PricePart, PriceSetting } from '../../../core/charges/prices/price-kind.ts';
import { priceKindOf } from '../../../core/charges/prices/registry.ts';
import type { ChargeLine } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { AmountField } from '../../fields/AmountField.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { parseId, parseMeasured, parsePercent } from '../../fields/typed-text.ts';
import { useEdit } from '../../page/use-edit.tsx';

interface Editing {
  number: number;
  marketId: string;
  currency: string;
  /** sets what stands at steps within the price */
  set: (...steps: string[]) => (value: unknown) => Edit;
}

/** A price as the sentence of its kind, whose fields are typed in place. */
export function PriceFields({
  price,
  over,
  free,
  ...editing
}: Editing & Pick<PriceSetting, 'over' | 'free'> & { price: ChargeLine['price'] }) {
  const parts = priceKindOf(price).parts(price, { currency: editing.currency, over, free });
  return parts.map((part, index) => (
    <Fragment key={typeof part === 'string' ? `words-${index}` : `${part.field}-${part.at.join('-')}`}>
      {typeof part === 'string' ? part : <PartField part={part} {...editing} />}
    </Fragment>
  ));
}

function PartField({ part, number, marketId, currency, set }: Editing & { part: Exclude<PricePart, string> }) {
  const edit = useEdit();
  const change = set('price', ...part.at);
  const label = `${part.name}, line ${number}`;
  switch (part.field) {
    case 'amount':
      return (
        <AmountField
          label={`${label}, ${currency}`}
          amount={part.value}
          marketId={marketId}
          change={change}
          optional={part.empty}
          testId={part.testId && `${part.testId}-${number}`}
        />
      );
    case 'percent':
      return <EditedField label={label} shown={part.value} parse={parsePercent} change={change} live align="right" />;
    case 'name':
      return <EditedField label={label} shown={part.value} parse={parseId} change={change} />;
    case 'count':
      return (
        <EditedField
          label={label}
          shown={String(part.value)}
          parse={parseMeasured(part.measure, 1, 1_000_000_000)}
          change={change}
          live
          align="right"
        />
      );
    case 'choice':
      return (
        <PhraseSelect
          label={label}
          value={part.value}
          options={part.choices.map(([id, words]) => [id, words] as const)}
          choose={(chosen) => edit(change(part.choices.find(([id]) => id === chosen)?.[2]))}
        />
      );
    case 'add':
      return (
        <button type="button" className="btn btn-xs" onClick={() => edit(change(part.value))}>
          {part.name}
        </button>
      );
    case 'remove':
      return <Remove what={`${part.name} of line ${number}`} remove={() => edit(change(undefined))} />;
  }
}
