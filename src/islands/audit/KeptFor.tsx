import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { Choices } from '../../contract/shapes/choices.ts';
import { Alert } from '../../ui/Alert.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { useAsking } from '../page/use-asking.ts';
import { leastDays, mostDays } from './kept-days.ts';

/** For how long entries are kept. */
export function KeptFor({ initial }: { initial: Choices }) {
  const [choices, setChoices] = useState(initial);
  const { problem, ask } = useAsking();
  const keep = async (recordDays: number) => {
    const chosen = await ask(() => call('PATCH /api/choices', { body: { recordDays } }));
    if (chosen) setChoices(chosen);
  };
  return (
    <>
      <p className="mt-3 border-t border-hairline pt-2">
        Entries are kept for{' '}
        <TypedField
          label="Days that entries are kept"
          shown={String(choices.recordDays)}
          parse={parseDays}
          show={() => {}}
          commit={(days) => void keep(days)}
          testId="record-days"
        />{' '}
        days; older ones are deleted. <span className="text-soft">The history of offers and releases stays.</span>
      </p>
      {problem && <Alert className="mt-1">{`${problem.title}. ${problem.detail}`}</Alert>}
    </>
  );
}

function parseDays(text: string) {
  const days = Number(text);
  return /^\d{1,5}$/.test(text.trim()) && days >= leastDays && days <= mostDays
    ? ({ ok: true, value: days } as const)
    : ({ ok: false, reason: `Days from ${leastDays} to ${mostDays}.` } as const);
}
