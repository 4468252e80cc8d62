import type { OutgoingCall, OutgoingTry } from '../../contract/shapes/receiver.ts';
import { useMoments } from '../page/use-moments.ts';

const of = ({ kind, release }: OutgoingCall): string => {
  const what = release === null ? 'no release yet' : `release ${release}`;
  return kind === 'test' ? `test, ${what}` : what;
};

/** Every time that a receiver was called, and what it answered. */
export function CallLog({ calls }: { calls: readonly OutgoingCall[] }) {
  const write = useMoments();
  const rows = calls.flatMap((call) => {
    const tries: (OutgoingTry | null)[] = call.tries.length > 0 ? [...call.tries].reverse() : [null];
    return tries.map((one) => ({ key: `${call.id} ${one?.at}`, call, one }));
  });
  return (
    <div className="max-w-[60rem] overflow-x-auto">
      <table className="table table-xs" data-testid="call-log">
        <thead>
          <tr>
            <th scope="col">Called</th>
            <th scope="col">Of</th>
            <th scope="col" className="text-end">
              Answer
            </th>
            <th scope="col" className="text-end">
              After
            </th>
            <th scope="col">What it said</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, call, one }) => (
            <tr key={key}>
              <td className="whitespace-nowrap">{one ? write(one.at) : 'not yet'}</td>
              <td className="whitespace-nowrap">{of(call)}</td>
              <td className="tabular text-end">{one?.status ?? ''}</td>
              <td className="tabular whitespace-nowrap text-end">{one ? `${one.took} ms` : ''}</td>
              <td>
                {one?.problem && <span className="text-error">{one.problem}</span>}
                {one?.problem && one.answer && ': '}
                {one?.answer && <span className="break-words">{one.answer}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
