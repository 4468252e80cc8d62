import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';

/** What a simulated outside service is made to do, as a word of a sentence. */
export function StandInMode({
  name,
  label,
  modes,
}: {
  name: string;
  label: string;
  /** what it can be made to do, each in words; the first is how it is meant to be */
  modes: readonly (readonly [string, string])[];
}) {
  const [mode, setMode] = useState(modes[0]![0]);
  useEffect(() => {
    void call('GET /api/stand-ins/{name}', { params: { name } }).then(
      (answer) => answer.ok && setMode(answer.body.mode),
    );
  }, [name]);
  const change = async (wanted: string) => {
    const answer = await call('PUT /api/stand-ins/{name}', { params: { name }, body: { mode: wanted } });
    if (answer.ok) setMode(answer.body.mode);
  };
  return <PhraseSelect label={label} value={mode} options={modes} choose={(wanted) => void change(wanted)} quiet />;
}
