import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { AccessKey, MadeKey } from '../../contract/shapes/access-key.ts';
import { Alert } from '../../ui/Alert.tsx';
import { KeyRow } from './KeyRow.tsx';
import { NewKey } from './NewKey.tsx';
import { Told } from './Told.tsx';
import { useAsking } from '../page/use-asking.ts';

/** The keys there are, what became of them, and the row that adds one. */
export function Keys({ initial }: { initial: readonly AccessKey[] }) {
  const [keys, setKeys] = useState(initial);
  const [made, setMade] = useState<MadeKey | null>(null);
  const { busy, problem, ask } = useAsking();
  const listed = async () => {
    const list = await ask(() => call('GET /api/keys'));
    if (list) setKeys(list.keys);
  };
  const take = async (next: MadeKey | null): Promise<boolean> => {
    if (!next) return false;
    setMade(next);
    await listed();
    return true;
  };
  return (
    <>
      <h2 className="text-title">Keys</h2>
      <div className="overflow-x-auto">
        <table className="table table-xs" aria-label="Keys" data-testid="keys">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">For</th>
              <th scope="col">Made</th>
              <th scope="col">Used last</th>
              <th scope="col">
                <span className="sr-only">What can be done</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {keys.map((key) => (
              <KeyRow
                key={key.id}
                accessKey={key}
                busy={busy}
                save={async (body) => {
                  await ask(() => call('PUT /api/keys/{id}', { params: { id: key.id }, body }));
                  await listed();
                }}
                rotate={async (overlapHours) => {
                  const body = { overlapHours };
                  await take(await ask(() => call('POST /api/keys/{id}/rotation', { params: { id: key.id }, body })));
                }}
                revoke={async () => {
                  await ask(() => call('DELETE /api/keys/{id}', { params: { id: key.id } }));
                  await listed();
                }}
              />
            ))}
            {keys.length === 0 && (
              <tr>
                <td colSpan={5} className="text-soft">
                  There are none yet.
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
      <NewKey busy={busy} make={async (body) => take(await ask(() => call('POST /api/keys', { body })))} />
      {problem && <Alert className="mt-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      {made && <Told what={`The key “${made.key.name}”`} text={made.token} close={() => setMade(null)} />}
    </>
  );
}
