import { setAt } from '../../../client/edits/set-at.ts';
import type { Notice } from '../../../core/policy/types.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { OptionsPhrase } from '../../fields/phrases/OptionsPhrase.tsx';
import { orNone, parseWhole } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** What a notice counts down to: nothing, an option's cut-off, or a moment. */
export function CountdownPhrase({
  path,
  countdown,
  marketId,
}: {
  path: string[];
  countdown: Notice['countdown'];
  marketId: string;
}) {
  const edit = useEdit();
  const { store } = usePolicy();
  const now = useNow();
  const begin = (to: string): Notice['countdown'] => {
    if (to === 'cutOff') return { to, on: { by: 'kind', kinds: ['parcel'] } };
    const tomorrow = dateOfDay(localTime(store.timeZone, now).day + 1);
    return to === 'moment' ? { to, at: `${tomorrow}T16:00`, readIn: 'store' } : undefined;
  };
  return (
    <p>
      It counts down to{' '}
      <PhraseSelect
        label="What it counts down to"
        quiet={!countdown}
        value={countdown?.to ?? ''}
        options={[
          ['', 'nothing'],
          ['cutOff', 'the next cut-off of the first of'],
          ['moment', 'a moment:'],
        ]}
        choose={(to) => edit(setAt(path, begin(to)))}
        testId="countdown-to"
      />
      {countdown?.to === 'cutOff' && (
        <>
          {' '}
          <OptionsPhrase
            label="Options whose cut-off it counts down to"
            selection={countdown.on}
            marketId={marketId}
            change={(on) => edit(setAt([...path, 'on'], on))}
          />{' '}
          that this shopper may choose
        </>
      )}
      {countdown?.to === 'moment' && (
        <>
          {' '}
          <DateField
            label="Moment that it counts down to"
            kind="from"
            value={countdown.at}
            change={(at) => at !== '' && edit(setAt([...path, 'at'], at))}
            testId="countdown-at"
          />{' '}
          on the clock of{' '}
          <PhraseSelect
            label="Clock of the moment"
            value={countdown.readIn === 'market' ? 'market' : 'store'}
            options={[
              ['store', 'the store'],
              ['market', 'each market'],
            ]}
            choose={(readIn) => edit(setAt([...path, 'readIn'], readIn))}
          />
        </>
      )}
      {countdown && (
        <>
          , and is read in the last{' '}
          <EditedField
            label="Hours before it"
            shown={countdown.withinHours === undefined ? '' : String(countdown.withinHours)}
            parse={orNone(parseWhole(1, 8760))}
            change={(hours) => setAt([...path, 'withinHours'], hours)}
            placeholder="however many"
            align="right"
            testId="countdown-within"
          />{' '}
          hours before it
        </>
      )}
      .
    </p>
  );
}
