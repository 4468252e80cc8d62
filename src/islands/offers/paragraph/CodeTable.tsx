import { useMemo } from 'react';
import { setAt } from '../../../client/edits/set-at.ts';
import { Remove } from '../../../ui/Remove.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { useEdit } from '../../page/use-edit.tsx';

interface Row {
  code: string;
}

/** All codes of an offer, to be looked for and taken away. */
export default function CodeTable({ offerId, codes }: { offerId: string; codes: readonly string[] }) {
  const edit = useEdit();
  const rows = useMemo(() => codes.map((code) => ({ code })), [codes]);
  const columns = useMemo<TableColumn<Row>[]>(
    () => [
      { id: 'code', name: 'code', value: ({ code }) => code },
      {
        id: 'remove',
        name: 'Take away',
        bare: true,
        value: () => null,
        cell: ({ code }) => (
          <Remove
            what={`code ${code}`}
            remove={() => edit(setAt(['offers', offerId, 'unlock', 'codes', code], undefined))}
          />
        ),
      },
    ],
    [offerId, edit],
  );
  return (
    <div className="max-w-96 border-l-2 border-primary pl-3 text-small">
      <Table
        label="Codes"
        columns={columns}
        rows={rows}
        keyOf={({ code }) => code}
        search="Find a code"
        testId="code-table"
      />
    </div>
  );
}
