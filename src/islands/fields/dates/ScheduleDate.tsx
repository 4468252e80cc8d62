import { setSchedule } from '../../../client/edits/schedule-edits.ts';
import type { Schedule } from '../../../core/policy/types.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { DateField } from './DateField.tsx';

const otherEnd = { from: 'until', until: 'from' } as const;

/** Where a schedule begins or ends; its calendar shows the whole of it. */
export function ScheduleDate({
  label,
  end,
  none,
  schedule,
  path,
  testId,
}: {
  label: string;
  end: 'from' | 'until';
  /** what is read where it is open */
  none: string;
  schedule: Schedule | undefined;
  /** where it stands in the policy */
  path: string[];
  testId?: string;
}) {
  const edit = useEdit();
  const other = otherEnd[end];
  return (
    <DateField
      label={label}
      kind={end}
      value={schedule?.[end] ?? ''}
      none={none}
      other={{ value: schedule?.[other] ?? '', kind: other }}
      change={(at) => edit(setSchedule(path, end, at))}
      testId={testId}
    />
  );
}
