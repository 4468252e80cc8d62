import { describe, expect, test } from 'vitest';
import { demoPolicy } from '../../../../demo/policy/demo-policy.ts';
import { changed } from '../../../../tests/support/evaluate-store.ts';
import { checkPolicy } from '../../checks/validate.ts';
import { quotedQuestions } from '../../quote/quoted-questions.ts';
import { faultsOfAnswers } from './check-answers.ts';
import { questionKinds } from './registry.ts';

const van = demoPolicy.options['nlbe-round-van']!;
const faults = (answers: Record<string, string>) =>
  faultsOfAnswers(van, answers).map(({ question, fault }) => `${question} ${fault}`);

describe('answers to the questions of an option', () => {
  test('are asked for in its order, and only where they are needed', () => {
    expect(faults({})).toEqual(['telephone missing', 'spot missing']);
    expect(faults({ telephone: '  ', spot: 'beach', note: '' })).toEqual(['telephone missing']);
    expect(faults({ telephone: '+31 (0)20-555 01 23', spot: 'beach' })).toEqual([]);
  });
  test.each([
    ['0222 12345', []],
    ['1234', ['telephone notATelephone']],
    ['+4912345678901234', ['telephone notATelephone']],
    ['ring twice', ['telephone notATelephone']],
  ])('%s as a telephone number: %j', (telephone, wrong) =>
    expect(faults({ telephone, spot: 'pavilion' })).toEqual(wrong),
  );
  test('are one of a list, not too long by letters, and answer what is asked', () => {
    const good = { telephone: '0222 12345', spot: 'pavilion' };
    expect(faults({ ...good, spot: 'constructor' })).toEqual(['spot notOffered']);
    expect([faults({ ...good, note: '🪁'.repeat(120) }), faults({ ...good, note: 'x'.repeat(121) })]).toEqual([
      [],
      ['note tooLong'],
    ]);
    expect(faults({ ...good, toString: 'x' })).toEqual(['toString notAsked']);
  });
});

test('labels fall back as wording does, and to the key where nothing is written', () => {
  const [telephone, spot] = quotedQuestions(van, 'fr-BE', ['nl-NL', 'fr-BE']);
  expect(telephone).toMatchObject({ label: 'Telefoon voor de bezorger', required: true, choices: null });
  expect(spot!.choices).toEqual([
    { key: 'pavilion', label: 'bij het paviljoen' },
    { key: 'beach', label: 'op het strand' },
  ]);
  expect(
    quotedQuestions({ questions: { note: { order: 1, kind: 'text', label: {}, required: false } } }, 'en', []),
  ).toEqual([{ key: 'note', kind: 'text', label: 'note', required: false, longest: 500, choices: null }]);
});

test.each(questionKinds.all)('a $kind question can stand as it is begun', ({ kind, begin }) => {
  const policy = changed(demoPolicy, (copy) => {
    copy.options['nlbe-door']!.questions = { it: { order: 1, kind, label: {}, required: true, ...begin() } as never };
  });
  expect(checkPolicy(policy)).toMatchObject({ ok: true });
});
