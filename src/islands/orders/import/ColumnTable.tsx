import { orderFields, productFields } from '../../../core/imports/fields.ts';
import type { FileSample, ImportMapping } from '../../../core/imports/mapping.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';

/** What each column of the file stands for, with the first values in it. */
export function ColumnTable({
  mapping,
  sample,
  change,
}: {
  mapping: ImportMapping;
  sample: FileSample;
  change: (mapping: ImportMapping) => void;
}) {
  const policy = usePolicy();
  const currencies = [...new Set(Object.values(policy.markets).map(({ currency }) => currency))].sort();
  const fields: { id: string; label: string }[] =
    mapping.kind === 'orders'
      ? [...orderFields]
      : [
          ...productFields,
          ...currencies.map((currency) => ({ id: `price:${currency}`, label: `price in ${currency}` })),
        ];
  const fieldOf = (at: number) => Object.entries(mapping.columns).find(([, position]) => position === at)?.[0] ?? '';
  const assign = (at: number, field: string) => {
    const columns = Object.fromEntries(
      Object.entries(mapping.columns).filter(([other, position]) => position !== at && other !== field),
    );
    change({ ...mapping, columns: field === '' ? columns : { ...columns, [field]: at } });
  };
  return (
    <div className="mt-1 max-h-[340px] overflow-auto" tabIndex={0} role="group" aria-label="Columns of the file">
      <table className="table table-xs">
        <thead>
          <tr className="border-b border-hairline text-small text-soft">
            <th scope="col" className="py-1 pr-4 font-normal">
              column of the file
            </th>
            <th scope="col" className="py-1 pr-4 font-normal">
              stands for
            </th>
            <th scope="col" className="py-1 font-normal">
              first values
            </th>
          </tr>
        </thead>
        <tbody>
          {sample.heading.map((name, at) => (
            <tr key={at} className="border-b border-hairline">
              <th scope="row" className="max-w-56 truncate py-1 pr-4 font-semibold">
                {name || `(column ${at + 1})`}
              </th>
              <td className="py-1 pr-4">
                <PhraseSelect
                  quiet={fieldOf(at) === ''}
                  label={`${name || `Column ${at + 1}`} stands for`}
                  value={fieldOf(at)}
                  options={[['', 'nothing, not read'], ...fields.map(({ id, label }) => [id, label] as const)]}
                  choose={(field) => assign(at, field)}
                  testId={`column-${at}`}
                />
              </td>
              <td className="max-w-80 truncate py-1 text-soft">
                {sample.rows
                  .slice(0, 3)
                  .map((row) => row[at] ?? '')
                  .join('  ·  ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
