import type { Edit } from '../../client/edit.ts';
import type { ConditionNode } from '../../core/policy/types.ts';
import { DateTimeField } from '../../ui/DateTimeField.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { EditedField } from '../frame/EditedField.tsx';
import { parseTime } from '../frame/typed-text.ts';

interface MomentProps<Kind> {
  node: Extract<ConditionNode, { kind: Kind }>;
  set: (values: Record<string, unknown>) => Edit;
  edit: (edit: Edit) => boolean;
}

const weekdays = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function Clock({ readIn, set, edit }: { readIn: string; set: (values: Record<string, unknown>) => Edit; edit: (edit: Edit) => boolean }) {
  const own = readIn !== 'store' && readIn !== 'market';
  return (
    <>
      {' '}
      on the clock of <PhraseSelect label="Whose clock" value={readIn} options={[['store', 'the store'], ['market', 'the market'], ...(own ? [[readIn, readIn] as const] : [])]} choose={(next) => edit(set({ readIn: next }))} />
    </>
  );
}

export function DaysOfWeek({ node, set, edit }: MomentProps<'weekday'>) {
  const toggle = (day: number) => {
    const days = node.days.includes(day) ? node.days.filter((other) => other !== day) : [...node.days, day].sort((a, b) => a - b);
    if (days.length > 0) edit(set({ days }));
  };
  return (
    <>
      {weekdays.map((name, index) => (
        <button key={name} type="button" className="day-toggle" aria-pressed={node.days.includes(index + 1)} onClick={() => toggle(index + 1)}>
          {name}
        </button>
      ))}
      <Clock readIn={node.readIn} set={set} edit={edit} />
    </>
  );
}

export function TimeOfDay({ node, set, edit }: MomentProps<'timeOfDay'>) {
  const field = (label: string, name: 'from' | 'to') => <EditedField label={label} shown={node[name]} parse={parseTime} change={(time) => set({ [name]: time })} edit={edit} live testId={`time-${name}`} />;
  return (
    <>
      from {field('From', 'from')} to the end of the minute {field('To', 'to')}
      {node.to < node.from && ' of the next day'}
      <Clock readIn={node.readIn} set={set} edit={edit} />
    </>
  );
}

export function DateAndTime({ node, set, edit }: MomentProps<'instant'>) {
  const field = (label: string, name: 'at' | 'to', value: string) => <DateTimeField label={label} value={value} change={(at) => at !== '' && edit(set({ [name]: at }))} />;
  return (
    <>
      <PhraseSelect label="Before or after" value={node.operator} options={[['before', 'before'], ['after', 'after the minute'], ['between', 'from']]} choose={(operator) => edit(set({ operator, to: operator === 'between' ? (node.to ?? node.at) : undefined }))} /> {field('Moment', 'at', node.at)}
      {node.operator === 'between' && <> to the end of the minute {field('Last minute', 'to', node.to ?? node.at)}</>}
      <Clock readIn={node.readIn} set={set} edit={edit} />
    </>
  );
}
