import { addDays } from '../../../core/time/day.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { Popover } from '../../../ui/Popover.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { dateInWords, shownMoment, type DateKind } from './moments.ts';
import { lazyPart } from '../../../ui/lazy-part.tsx';

const CalendarPanel = lazyPart(() => import('./CalendarPanel.tsx'), <span className="block h-80 w-72" />);

/**
 * A date that reads as words and opens a calendar; it can be typed there as the reader writes dates. Who types 23:59 as an
 * end nearly always means the whole of that day, last minute included, and is offered it.
 */
export function DateField({
  label,
  kind = 'day',
  value,
  change,
  none,
  least,
  most,
  other,
  steady = false,
  testId,
}: {
  label: string;
  kind?: DateKind;
  /** `YYYY-MM-DD`, with `THH:MM` for a moment; empty for none */
  value: string;
  change: (value: string) => void;
  /** what is read without a date, and leads back to it; left out where there is always one */
  none?: string;
  /** first and last day that can be chosen */
  least?: string;
  most?: string;
  /** the other end of the stretch that it begins or ends, which the calendar shows; empty where there is none */
  other?: { value: string; kind?: DateKind };
  /** keeps its width, and where its letters begin, whatever date it reads, where one comes after the page */
  steady?: boolean;
  testId?: string | undefined;
}) {
  const { locale } = useNotation();
  const shown = value === '' ? (none ?? 'choose a day') : dateInWords(value, kind, locale);
  const day = value.slice(0, 10);
  return (
    <>
      <Popover
        label={label}
        shown={shown}
        className={`field ${steady ? 'min-w-[8.5rem] text-start' : ''} ${value === '' ? 'text-soft' : ''}`}
        testId={testId}
      >
        {(close) => (
          <CalendarPanel
            label={label}
            kind={kind}
            value={value}
            least={least}
            most={most}
            other={other && other.value !== '' ? shownMoment(other.value, other.kind ?? 'day').day : undefined}
            change={(next) => {
              close();
              if (next !== value) change(next);
            }}
            none={none}
          />
        )}
      </Popover>
      {kind === 'until' && value.endsWith('T23:59') && (
        <button type="button" className="btn btn-xs ml-1" onClick={() => change(`${addDays(day, 1)}T00:00`)}>
          to the end of {writeDay(day, locale)}
        </button>
      )}
    </>
  );
}
