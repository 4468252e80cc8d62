import { Alert } from '../../../ui/Alert.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import type { StillReading } from './use-reading.ts';

/** How far reading has come, until something has been found. */
export function ReadingProgress({
  what,
  reading,
  stop,
  again,
}: {
  /** what is being done, as a sentence begins */
  what: string;
  reading: StillReading;
  stop: () => void;
  again: () => void;
}) {
  const { locale } = useNotation();
  const button = (text: string, click: () => void, testId: string) => (
    <button type="button" className="btn btn-xs" onClick={click} data-testid={testId}>
      {text}
    </button>
  );
  if (reading.state === 'failed')
    return (
      <Alert>
        The orders could not be looked through: {reading.problem}. Nothing was changed.{' '}
        {button('Try again', again, 'read-again')}
      </Alert>
    );
  if (reading.state === 'stopped')
    return (
      <p className="text-soft">
        {what} was stopped; nothing was changed. {button('Begin again', again, 'read-again')}
      </p>
    );
  return (
    <div role="status">
      <p className="flex flex-wrap items-baseline gap-x-3 text-soft">
        <span>Reading from the orders how they were charged … {wordsFor(locale).percent(reading.share)}</span>
        {button('Stop', stop, 'stop-reading')}
      </p>
      <progress className="progress mt-1 progress-accent" max={1} value={reading.share} aria-label={what} />
    </div>
  );
}
