import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
  type FilterFn,
  type RowData,
  type SortFn,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { matches } from './best-matches.ts';
import { SaveAs } from './SaveAs.tsx';

/** What a column sorts by, is searched by and is saved as. */
export type CellValue = string | number | null;

/** One column of a table. */
export interface TableColumn<Row> {
  id: string;
  name: string;
  value: (row: Row) => CellValue;
  /** how it is drawn; the value's own text where it is left out */
  cell?: (row: Row) => ReactNode;
  /** figures stand at the right */
  right?: boolean;
  /** no heading is seen, and it is neither sorted by nor saved */
  bare?: boolean;
  className?: string;
  /** stays in view while the others are scrolled past it */
  pinned?: boolean;
}

const pin = 'sticky left-0 z-1 bg-base-100';

/** From as many rows on a table scrolls by itself and draws only what is in view. */
const longTable = 60;
/** px, as a row of one line is */
const usualHeight = 30;

const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});
type Features = typeof features;

/**
 * Rows under headings that sort them, with a field that searches them and a way to save them. Arrows go from row to row in
 * what can be used of a column. The order in which rows are given holds until a heading is chosen.
 *
 * @param rows the same list as long as nothing in it has changed
 * @param search what the field that searches says; none where it is left out
 * @param save takes heading and rows as they are shown: sorted and searched
 */
export function Table<Row extends RowData>({
  label,
  columns,
  rows,
  keyOf,
  search,
  save,
  testId,
  rowTestId,
  children,
}: {
  label: string;
  columns: readonly TableColumn<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  search?: string;
  save?: { what: string; csv: (heading: string[], rows: (string | number)[][]) => void };
  testId?: string;
  rowTestId?: (row: Row) => string;
  /** stands beside the field that searches */
  children?: ReactNode;
}) {
  const [text, setText] = useState('');
  const definitions = useMemo(() => columns.map(definitionOf), [columns]);
  const data = rows as Row[];
  const table = useTable({
    features,
    columns: definitions,
    data,
    getRowId: keyOf,
    enableMultiSort: false,
    globalFilterFn: begins as unknown as FilterFn<Features, Row>,
    getColumnCanGlobalFilter: () => true,
    state: { globalFilter: text },
  });
  const shown = table.getRowModel().rows;
  const box = useRef<HTMLDivElement>(null);
  const long = shown.length > longTable;
  const down = useVirtualizer({
    count: shown.length,
    getScrollElement: () => box.current,
    estimateSize: () => usualHeight,
    enabled: long,
    overscan: 10,
    initialRect: { width: 0, height: 600 },
  });
  const inView = long ? down.getVirtualItems() : null;
  const drawn = inView ? inView.map(({ index }) => shown[index]!) : shown;
  const [before, after] = inView ? [inView[0]?.start ?? 0, down.getTotalSize() - (inView.at(-1)?.end ?? 0)] : [0, 0];
  return (
    <div data-testid={testId}>
      <Toolbar
        label={label}
        search={search}
        text={text}
        setText={setText}
        found={`${shown.length} of ${rows.length}`}
        what={save?.what}
        save={() => {
          const kept = columns.filter(({ bare }) => !bare);
          save?.csv(
            kept.map(({ name }) => name),
            shown.map(({ original }) => kept.map(({ value }) => value(original) ?? '')),
          );
        }}
      >
        {children}
      </Toolbar>
      <div ref={box} className={`overflow-x-auto ${long ? 'max-h-[70vh] overflow-y-auto' : ''}`}>
        <table className="table table-xs" aria-label={label} aria-rowcount={long ? shown.length + 1 : undefined}>
          <thead className={long ? 'sticky top-0 z-1 bg-base-100' : ''}>
            <tr>
              {table.getFlatHeaders().map(({ column }) => (
                <Heading
                  key={column.id}
                  {...columns.find(({ id }) => id === column.id)!}
                  sorted={column.getIsSorted()}
                  sort={() => column.toggleSorting()}
                />
              ))}
            </tr>
          </thead>
          <tbody onKeyDown={goAmongRows}>
            {before > 0 && <Space height={before} />}
            {drawn.map((row, index) => (
              <tr
                key={row.id}
                ref={inView ? down.measureElement : undefined}
                data-index={inView?.[index]?.index}
                aria-rowindex={inView ? inView[index]!.index + 2 : undefined}
                data-testid={rowTestId?.(row.original)}
              >
                {columns.map(({ id, cell, value, right, pinned, className = '' }) => (
                  <td key={id} className={`align-top ${right ? 'text-right' : ''} ${pinned ? pin : ''} ${className}`}>
                    {cell ? cell(row.original) : value(row.original)}
                  </td>
                ))}
              </tr>
            ))}
            {after > 0 && <Space height={after} />}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && text !== '' && <p className="py-1 text-soft">Nothing of that name.</p>}
    </div>
  );
}

/** The field that searches, and the way to save. */
function Toolbar({
  label,
  search,
  text,
  setText,
  found,
  what,
  save,
  children,
}: {
  label: string;
  search: string | undefined;
  text: string;
  setText: (text: string) => void;
  found: string;
  /** what is saved; undefined where it cannot be */
  what: string | undefined;
  save: () => void;
  children: ReactNode;
}) {
  if (search === undefined && what === undefined && !children) return null;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1 text-small">
      {search !== undefined && (
        <input
          type="search"
          className="input input-xs w-52"
          placeholder={search}
          aria-label={`${search}: ${label}`}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      )}
      {text !== '' && (
        <span className="text-soft" role="status">
          {found}
        </span>
      )}
      {children}
      {what !== undefined && (
        <span className="ml-auto">
          <SaveAs what={what} forms={[{ name: 'CSV', save }]} />
        </span>
      )}
    </div>
  );
}

const directions = { asc: 'ascending', desc: 'descending' } as const;

/** A heading that sorts its column: up, down, and back to the order in which rows are given. */
function Heading({
  name,
  right,
  bare,
  pinned,
  sorted,
  sort,
}: {
  name: string;
  right?: boolean;
  bare?: boolean;
  pinned?: boolean;
  sorted: false | 'asc' | 'desc';
  sort: () => void;
}) {
  return (
    <th
      scope="col"
      className={`${right ? 'text-right' : ''} ${pinned ? pin : ''}`}
      aria-sort={sorted === false ? undefined : directions[sorted]}
    >
      {bare ? (
        <span className="sr-only">{name}</span>
      ) : (
        <button type="button" className="inline-flex items-center gap-1 hover:text-base-content" onClick={sort}>
          {name}
          {sorted === 'asc' && <ArrowUp size={12} aria-hidden />}
          {sorted === 'desc' && <ArrowDown size={12} aria-hidden />}
        </button>
      )}
    </th>
  );
}

/** Rows that are out of view. */
function Space({ height }: { height: number }) {
  return (
    <tr aria-hidden>
      <td height={height} className="border-0 p-0" />
    </tr>
  );
}

const collator = new Intl.Collator(undefined, { numeric: true });

function definitionOf<Row extends RowData>({ id, value, bare }: TableColumn<Row>): ColumnDef<Features, Row> {
  const sortFn: SortFn<Features, Row> = (a, b) => {
    const [one, other] = [value(a.original), value(b.original)];
    // What is not known comes last.
    if (one === null || other === null) return Number(one === null) - Number(other === null);
    return typeof one === 'number' && typeof other === 'number'
      ? one - other
      : collator.compare(String(one), String(other));
  };
  return { id, accessorFn: (row) => value(row) ?? '', enableSorting: !bare, sortFn };
}

/** Every typed word begins a word of the row. */
const begins: FilterFn<Features, RowData> = (row, _, typed: string) =>
  matches(
    row
      .getAllCells()
      .map((cell) => String(cell.getValue()))
      .join(' '),
    typed,
  );

/** Up and down go to the same column of the next row, where it has something to use. */
function goAmongRows(event: KeyboardEvent<HTMLElement>) {
  const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
  const from = event.target as HTMLElement;
  if (by === undefined || from.closest('select, [popover]') || event.altKey || event.ctrlKey || event.metaKey) return;
  const cell = from.closest('td, th') as HTMLTableCellElement | null;
  const row = cell?.closest('tr');
  let next = by < 0 ? row?.previousElementSibling : row?.nextElementSibling;
  while (next) {
    const target = next.children[cell!.cellIndex]?.querySelector<HTMLElement>('input, button, a[href]');
    if (target) {
      event.preventDefault();
      return target.focus();
    }
    next = by < 0 ? next.previousElementSibling : next.nextElementSibling;
  }
}
