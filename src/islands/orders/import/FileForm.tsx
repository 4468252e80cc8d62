import { inOrder } from '../../../core/ordered.ts';
import type { FileSample, ImportMapping } from '../../../core/imports/mapping.ts';
import { dateFormWords } from '../../../core/imports/order-rows.ts';
import { formsThatFit } from '../../../core/tabular/read-date.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';

/** How the file is written, as a sentence of choices. */
export function FileForm({
  mapping,
  sample,
  change,
}: {
  mapping: ImportMapping;
  sample: FileSample;
  change: (mapping: ImportMapping) => void;
}) {
  const policy = usePolicy();
  const choice = <K extends keyof ImportMapping>(
    field: K,
    label: string,
    options: [ImportMapping[K] & (string | null), string][],
  ) => (
    <PhraseSelect
      label={label}
      value={String(mapping[field] ?? '')}
      options={options.map(([value, text]) => [value ?? '', text])}
      choose={(value) => change({ ...mapping, [field]: value === '' ? null : value })}
      testId={`form-${field}`}
    />
  );
  const dates =
    mapping.columns.placedAt === undefined ? [] : sample.rows.map((row) => row[mapping.columns.placedAt!] ?? '');
  const fitting = formsThatFit(dates.slice(0, 200));
  const open = fitting.includes('dmy') && fitting.includes('mdy');
  const measures = mapping.columns.weight !== undefined;
  const sizes = ['length', 'width', 'height'].some((field) => mapping.columns[field] !== undefined);
  return (
    <p className="leading-7" data-testid="file-form">
      Written in{' '}
      {choice('encoding', 'Encoding', [
        ['utf-8', 'UTF-8'],
        ['utf-16le', 'UTF-16, little end first'],
        ['utf-16be', 'UTF-16, big end first'],
        ['windows-1252', 'Windows-1252, western Europe'],
        ['windows-1250', 'Windows-1250, central Europe'],
        ['shift_jis', 'Shift JIS, Japan'],
      ])}{' '}
      with{' '}
      {choice('delimiter', 'Between fields', [
        [',', 'commas'],
        [';', 'semicolons'],
        ['\t', 'tabs'],
      ])}{' '}
      between fields and a decimal{' '}
      {choice('decimal', 'Decimal mark', [
        ['point', 'point'],
        ['comma', 'comma'],
      ])}
      ;
      {mapping.kind === 'orders' && (
        <>
          {' '}
          dates as{' '}
          {choice('dates', 'Dates', [
            ['ymd', dateFormWords.ymd],
            ['dmy', dateFormWords.dmy],
            ['mdy', dateFormWords.mdy],
            ['unix', dateFormWords.unix],
          ])}
          {open && <span className="text-warning"> (the first rows fit both orders of day and month: make sure)</span>},
          times on the store’s clock unless they say otherwise; a row is{' '}
          {choice('rows', 'A row is', [
            ['orders', 'an order'],
            ['lines', 'a line of an order'],
          ])}
          ; the goods value is{' '}
          {choice('goods', 'Goods value is', [
            ['afterDiscount', 'after discounts'],
            ['beforeDiscount', 'before discounts, which are taken off'],
            ['withDelivery', 'the order’s total, from which delivery is taken'],
          ])}
          ; the market is{' '}
          {choice('market', 'Market', [
            [null, 'found by country or market column'],
            ...inOrder(policy.markets).map(([id, { name }]): [string, string] => [id, `always ${name}`]),
          ])}
          {measures && ';'}
        </>
      )}
      {measures && (
        <>
          {' '}
          weights in{' '}
          {choice('weights', 'Weights in', [
            ['g', 'grams'],
            ['kg', 'kilograms'],
            ['oz', 'ounces'],
            ['lb', 'pounds'],
          ])}
        </>
      )}
      {sizes && (
        <>
          ; sizes in{' '}
          {choice('sizes', 'Sizes in', [
            ['mm', 'millimetres'],
            ['cm', 'centimetres'],
            ['in', 'inches'],
          ])}
        </>
      )}
      .
    </p>
  );
}
