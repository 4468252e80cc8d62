import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { ChangedChoices, Choices } from '../../contract/shapes/choices.ts';
import { Alert } from '../../ui/Alert.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { useAsking } from '../page/use-asking.ts';

const peopleOptions = [
  ['one', 'one person who may release'],
  ['two', 'two people: one who asks for it, and another who agrees'],
] as const;

/** What the store chooses about its people. */
export function StoreChoices({ initial }: { initial: Choices }) {
  const [choices, setChoices] = useState(initial);
  const { problem, ask } = useAsking();
  const choose = async (some: ChangedChoices) => {
    const chosen = await ask(() => call('PATCH /api/choices', { body: some }));
    if (chosen) setChoices(chosen);
  };
  return (
    <>
      <p className="py-1">
        A release takes{' '}
        <PhraseSelect
          label="How many people a release takes"
          value={choices.twoPeople ? 'two' : 'one'}
          options={peopleOptions}
          choose={(chosen) => void choose({ twoPeople: chosen === 'two' })}
          testId="two-people"
        />
        . <span className="text-soft">Rolling back takes one, so that nobody has to wait for it.</span>
      </p>
      {problem && <Alert className="mt-1">{`${problem.title}. ${problem.detail}`}</Alert>}
    </>
  );
}
