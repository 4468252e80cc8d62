import { Alert } from '../../../ui/Alert.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { wordsFor } from '../words.ts';
import type { ReadingState } from './use-reading.ts';

/** How far reading has come, until something has been found. */
export function ReadingProgress({
  reading,
  stop,
  again,
}: {
  reading: Exclude<ReadingState, { state: 'found' }>;
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
        The rules could not be read: {reading.problem}. Nothing was changed.{' '}
        {button('Read them again', again, 'read-again')}
      </Alert>
    );
  if (reading.state === 'stopped')
    return (
      <p className="text-soft">
        Reading was stopped; nothing was changed. {button('Read the rules', again, 'read-again')}
      </p>
    );
  return (
    <div role="status">
      <p className="flex flex-wrap items-baseline gap-x-3 text-soft">
        <span>Reading from the orders how they were charged … {wordsFor(locale).percent(reading.share)}</span>
        {button('Stop', stop, 'stop-reading')}
      </p>
      <progress
        className="progress mt-1 progress-accent"
        max={1}
        value={reading.share}
        aria-label="Reading from the orders how they were charged"
      />
    </div>
  );
}
