import { useMemo } from 'react';
import { setAt } from '../../../client/edits/set-at.ts';
import { compilePacking } from '../../../core/packing/rules.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { part } from '../../page/parts.ts';
import { GuardedEdits, useGuardedEdit } from '../../page/use-edit.tsx';
import { PackedCartPhrase } from './PackedCartPhrase.tsx';
import { PackingSentence } from './PackingSentence.tsx';

/** How the store packs, for all options that do not say otherwise. */
export function StorePacking() {
  const { packing } = usePolicy().store;
  const { edit, refusal } = useGuardedEdit();
  const compiled = useMemo(() => compilePacking(packing), [packing]);
  return (
    <GuardedEdits edit={edit}>
      <section ref={part('packing')} className="mt-3 border-t border-hairline pt-2" aria-label="Packing">
        <h2 className="text-title">Packing</h2>
        {refusal}
        <p className="leading-7">
          {packing ? (
            <>
              Where an option says nothing else,{' '}
              <PackingSentence rules={packing} path={['store', 'packing']} whose="of the store" />.{' '}
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => edit(setAt(['store', 'packing'], undefined))}
                data-testid="no-packing"
              >
                Pack without rules
              </button>
            </>
          ) : (
            <>
              All goods of a cart are one parcel, and packaging weighs nothing.{' '}
              <button
                type="button"
                className="btn btn-xs"
                onClick={() => edit(setAt(['store', 'packing'], { packaging: 200, most: 20_000 }))}
                data-testid="add-packing"
              >
                Say how goods are packed
              </button>
            </>
          )}
        </p>
        <PackedCartPhrase packing={compiled} />
      </section>
    </GuardedEdits>
  );
}
