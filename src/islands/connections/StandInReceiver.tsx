import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';

const params = { name: 'receiver' };
const modes = [
  ['works', 'works'],
  ['slow', 'is slow'],
  ['wrong', 'answers that nothing is there'],
  ['down', 'is down'],
] as const;

/** What the simulated receiver is made to do. */
export function StandInReceiver() {
  const [mode, setMode] = useState('works');
  useEffect(() => {
    void call('GET /api/stand-ins/{name}', { params }).then((answer) => answer.ok && setMode(answer.body.mode));
  }, []);
  const change = async (wanted: string) => {
    const answer = await call('PUT /api/stand-ins/{name}', { params, body: { mode: wanted } });
    if (answer.ok) setMode(answer.body.mode);
  };
  return (
    <span className="text-soft">
      It is simulated, ships with Summant, and{' '}
      <PhraseSelect
        label="Simulated receiver"
        value={mode}
        options={modes}
        choose={(wanted) => void change(wanted)}
        quiet
      />
      .
    </span>
  );
}
