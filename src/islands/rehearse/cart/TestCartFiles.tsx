import { useState } from 'react';
import { keepTestCarts } from '../../../client/edits/cart-edits.ts';
import { testCartFile } from '../../../core/test-carts/test-cart-file.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { ReadFile } from '../../../ui/ReadFile.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useGuardedEdit } from '../../page/use-edit.tsx';
import { saveFile } from '../../page/save-file.ts';

/** All test carts as a JSON file, out and in again. */
export function TestCartFiles() {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const [carts, setCarts] = useState<Record<string, TestCart> | null>(null);
  const [said, setSaid] = useState('');
  const read = async (text: string | null) => {
    if (text === null) {
      setCarts(null);
      return setSaid('');
    }
    // The check is fetched with the first file: few come with one.
    const { readTestCartFile } = await import('../../../core/test-carts/read-test-cart-file.ts');
    const reading = readTestCartFile(text);
    setCarts(reading.ok ? reading.carts : null);
    setSaid(reading.ok ? '' : `${reading.reason} Nothing was read.`);
  };
  const take = () => {
    if (!carts || !edit(keepTestCarts(carts))) return;
    setSaid(`${Object.keys(carts).length} test carts are as in the file. Undo takes all of it back.`);
    setCarts(null);
  };
  const ids = Object.keys(carts ?? {});
  const known = ids.filter((id) => policy.testCarts[id]);
  return (
    <div className="mt-2 text-small">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="font-head text-body">All test carts</strong>
        <SaveAs
          what="all test carts"
          forms={[
            {
              name: 'JSON',
              save: () => saveFile('test-carts.json', new Blob([testCartFile(policy)], { type: 'application/json' })),
            },
          ]}
        />
        <ReadFile
          label="read a file"
          accept=".json,application/json"
          what="A file of test carts"
          mostMegabytes={2}
          read={read}
          testId="test-cart-file"
        />
      </p>
      {refusal}
      {carts && (
        <p className="border-l-2 border-primary pl-3">
          {ids.length} test carts: {known.length} would be replaced, {ids.length - known.length} added.{' '}
          <button
            type="button"
            className="btn btn-xs btn-primary"
            disabled={ids.length === 0}
            onClick={take}
            data-testid="take-test-carts"
          >
            Take them over
          </button>
        </p>
      )}
      {said && <p role="status">{said}</p>}
    </div>
  );
}
