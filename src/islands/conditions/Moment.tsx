import type { Edit } from '../../client/edits/edit.ts';
import type { ConditionNode } from '../../core/policy/types.ts';
import { addDays } from '../../core/time/day.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { DateField } from '../fields/dates/DateField.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { parseTime } from '../fields/typed-text.ts';
import { useEdit } from '../page/use-edit.tsx';

interface MomentProps<Kind> {
  node: Extract<ConditionNode, { kind: Kind }>;
  set: (values: Record<string, unknown>) => Edit;
}

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function Clock({ readIn, set }: { readIn: string; set: (values: Record<string, unknown>) => Edit }) {
  const edit = useEdit();
  const own = readIn !== 'store' && readIn !== 'market';
  return (
    <>
      {' '}
      on the clock of{' '}
      <PhraseSelect
        label="Whose clock"
        value={readIn}
        options={[['store', 'the store'], ['market', 'the market'], ...(own ? [[readIn, readIn] as const] : [])]}
        choose={(next) => edit(set({ readIn: next }))}
      />
    </>
  );
}

export function DaysOfWeek({ node, set }: MomentProps<'weekday'>) {
  const edit = useEdit();
  const toggle = (day: number) => {
    const days = node.days.includes(day)
      ? node.days.filter((other) => other !== day)
      : [...node.days, day].sort((a, b) => a - b);
    if (days.length > 0) edit(set({ days }));
  };
  return (
    <>
      {weekdays.map((name, index) => (
        <button
          key={name}
          type="button"
          className="btn btn-ghost btn-xs"
          aria-pressed={node.days.includes(index + 1)}
          onClick={() => toggle(index + 1)}
        >
          {name}
        </button>
      ))}
      <Clock readIn={node.readIn} set={set} />
    </>
  );
}

export function TimeOfDay({ node, set }: MomentProps<'timeOfDay'>) {
  const field = (label: string, name: 'from' | 'to') => (
    <EditedField
      label={label}
      shown={node[name]}
      parse={parseTime}
      change={(time) => set({ [name]: name === 'to' && time === '23:59' ? '00:00' : time })}
      live
      testId={`time-${name}`}
    />
  );
  return (
    <>
      from {field('From', 'from')} until {node.to === '00:00' ? 'the end of the day, ' : ''}
      {field('Until', 'to')}
      {node.to !== '00:00' && node.to <= node.from && ' of the next day'}
      <Clock readIn={node.readIn} set={set} />
    </>
  );
}

const dayAfter = (local: string) => `${addDays(local.slice(0, 10), 1)}${local.slice(10)}`;

export function DateAndTime({ node, set }: MomentProps<'instant'>) {
  const edit = useEdit();
  const put = (name: 'at' | 'to') => (at: string) => at !== '' && edit(set({ [name]: at }));
  return (
    <>
      <PhraseSelect
        label="Before or after"
        value={node.operator}
        options={[
          ['before', 'before'],
          ['after', 'from … on'],
          ['between', 'from … until'],
        ]}
        choose={(operator) =>
          edit(set({ operator, to: operator === 'between' ? (node.to ?? dayAfter(node.at)) : undefined }))
        }
      />{' '}
      {node.operator === 'before' ? (
        <DateField label="Moment" kind="until" value={node.at} change={put('at')} />
      ) : (
        <DateField
          label="Moment"
          kind="from"
          value={node.at}
          other={{ value: node.to ?? '', kind: 'until' }}
          change={put('at')}
        />
      )}
      {node.operator === 'between' && (
        <>
          {' '}
          until{' '}
          <DateField
            label="Until"
            kind="until"
            value={node.to ?? dayAfter(node.at)}
            other={{ value: node.at, kind: 'from' }}
            change={put('to')}
          />
        </>
      )}
      <Clock readIn={node.readIn} set={set} />
    </>
  );
}
