import { useMemo } from 'react';
import { setAt } from '../../../client/edits/set-at.ts';
import { compilePacking } from '../../../core/packing/rules.ts';
import type { DeliveryOption } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { PackedCartPhrase } from './PackedCartPhrase.tsx';
import { PackingSentence } from './PackingSentence.tsx';

/** Whether an option is packed as the store packs, or in a way of its own, which is then shown on a cart. */
export function OptionPacking({ optionId, option: { packing } }: { optionId: string; option: DeliveryOption }) {
  const store = usePolicy().store.packing;
  const edit = useEdit();
  const path = ['options', optionId, 'packing'];
  const compiled = useMemo(() => compilePacking(packing), [packing]);
  return (
    <div>
      <p className="text-small">
        It is packed{' '}
        <PhraseSelect
          label="How it is packed"
          quiet={!packing}
          value={packing ? 'own' : 'store'}
          options={[
            ['store', store ? 'as the store packs' : 'as one parcel'],
            ['own', 'in its own way'],
          ]}
          choose={(how) => edit(setAt(path, how === 'own' ? (store ?? { packaging: 200, most: 20_000 }) : undefined))}
          testId="option-packing"
        />
        {packing && (
          <>
            : <PackingSentence rules={packing} path={path} whose="of this option" />
          </>
        )}
        .
      </p>
      {packing && <PackedCartPhrase packing={compiled} />}
    </div>
  );
}
