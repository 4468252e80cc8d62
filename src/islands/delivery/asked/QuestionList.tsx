import { freshId, setAt } from '../../../client/edits/set-at.ts';
import { longestAnswer } from '../../../core/options/questions/question-kind.ts';
import { questionKindOf, questionKinds } from '../../../core/options/questions/registry.ts';
import { inOrder, orderAfterLast } from '../../../core/ordered.ts';
import type { DeliveryOption, Question } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { EditedTexts } from '../../fields/EditedTexts.tsx';
import { orNone, parseWhole } from '../../fields/typed-text.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { questionStarters } from './question-starters.ts';

/** What an option asks whoever takes it. */
export function QuestionList({
  optionId,
  questions = {},
  languages,
}: {
  optionId: string;
  questions: DeliveryOption['questions'];
  languages: readonly string[];
}) {
  const edit = useEdit();
  const path = ['options', optionId, 'questions'];
  const asked = inOrder(questions);
  const remove = (key: string) => edit(setAt(asked.length === 1 ? path : [...path, key], undefined));
  return (
    <div className="text-small" data-testid="questions">
      {asked.length > 0 && (
        <ol>
          {asked.map(([key, question], index) => (
            <li key={key} data-testid={`question-${key}`}>
              It asks for <Kind path={[...path, key]} question={question} number={index + 1} />, read as{' '}
              <EditedTexts
                label={`Question ${index + 1}`}
                at={[...path, key, 'label']}
                texts={question.label}
                languages={languages}
                needed
                testId={`question-${key}`}
              />
              <Remove what={`question ${index + 1}`} remove={() => remove(key)} />
              {question.kind === 'choice' && (
                <Choices path={[...path, key, 'choices']} choices={question.choices} languages={languages} />
              )}
            </li>
          ))}
        </ol>
      )}
      {asked.length < mostQuestions && (
        <p>
          {asked.length > 0 ? 'Ask also for' : 'Whoever takes it is asked nothing. Ask for'}{' '}
          {questionStarters.map(({ key, name, make }) => (
            <button
              key={key}
              type="button"
              className="btn btn-xs mr-1"
              onClick={() =>
                edit(
                  setAt([...path, freshId(key, questions)], { ...make(languages), order: orderAfterLast(questions) }),
                )
              }
              data-testid={`ask-${key}`}
            >
              {name}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}

const mostQuestions = 10;

function Kind({ path, question, number }: { path: string[]; question: Question; number: number }) {
  const edit = useEdit();
  const named = (what: string) => `${what} of question ${number}`;
  return (
    <>
      <PhraseSelect
        label={named('Kind')}
        value={question.kind}
        options={questionKinds.all.map(({ kind, called }) => [kind, called] as const)}
        choose={(kind) => edit(setAt(path, ofKind(question, kind as Question['kind'])))}
      />{' '}
      that{' '}
      <PhraseSelect
        label={named('Whether an answer is needed')}
        value={question.required ? 'yes' : 'no'}
        options={[
          ['yes', 'must be answered'],
          ['no', 'may be left empty'],
        ]}
        choose={(said) => edit(setAt([...path, 'required'], said === 'yes'))}
      />
      {question.kind !== 'choice' && (
        <>
          , in at most{' '}
          <EditedField
            label={named('Longest answer')}
            shown={question.longest === undefined ? '' : String(question.longest)}
            parse={orNone(parseWhole(1, longestAnswer))}
            change={(longest) => setAt([...path, 'longest'], longest)}
            placeholder={String(longestAnswer)}
            align="right"
          />{' '}
          letters
        </>
      )}
    </>
  );
}

/** The same question, asked in another way. */
function ofKind({ order, label, required, longest }: Question, kind: Question['kind']): object {
  return {
    order,
    kind,
    label,
    required,
    ...(longest === undefined || kind === 'choice' ? {} : { longest }),
    ...questionKindOf({ kind }).begin(),
  };
}

function Choices({
  path,
  choices,
  languages,
}: {
  path: string[];
  choices: Extract<Question, { kind: 'choice' }>['choices'];
  languages: readonly string[];
}) {
  const edit = useEdit();
  const offered = inOrder(choices);
  return (
    <ul className="pl-4">
      {offered.map(([id, { label }], index) => (
        <li key={id}>
          or{' '}
          <EditedTexts
            label={`Choice ${index + 1}`}
            at={[...path, id, 'label']}
            texts={label}
            languages={languages}
            needed
          />
          {offered.length > 1 && (
            <Remove what={`choice ${index + 1}`} remove={() => edit(setAt([...path, id], undefined))} />
          )}
        </li>
      ))}
      <li>
        <button
          type="button"
          className="btn btn-xs"
          onClick={() =>
            edit(setAt([...path, freshId('choice', choices)], { order: orderAfterLast(choices), label: {} }))
          }
        >
          another choice
        </button>
      </li>
    </ul>
  );
}
