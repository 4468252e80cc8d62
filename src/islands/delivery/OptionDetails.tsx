import { setOption } from '../../client/edits/option-edits.ts';
import { inTurn, setAt } from '../../client/edits/set-at.ts';
import type { ChargeWords } from '../../core/charges/charge-in-words.ts';
import { inOrder } from '../../core/ordered.ts';
import type { DeliveryOption, Market } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { WordList } from '../../ui/WordList.tsx';
import { ScheduleDate } from '../fields/dates/ScheduleDate.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { EditedTexts } from '../fields/EditedTexts.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { orNone, parseName, parseTime, parseWhole } from '../fields/typed-text.ts';
import { ChargeEditor } from './charge/ChargeEditor.tsx';
import { PictureField } from './asked/PictureField.tsx';
import { QuestionList } from './asked/QuestionList.tsx';
import { CopyOption } from './CopyOption.tsx';
import { OptionPacking } from './packing/OptionPacking.tsx';
import { optionKindOf, optionKinds } from '../../core/options/kinds/registry.ts';
import { WhenPhrase } from '../conditions/WhenPhrase.tsx';

/** An option as sentences that read aloud, and its charge. */
export function OptionDetails({
  optionId,
  option,
  marketId,
  market,
  words,
}: {
  optionId: string;
  option: DeliveryOption;
  marketId: string;
  market: Market;
  words: ChargeWords;
}) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const { estimate, schedule } = option;
  const at = (...steps: string[]) => ['options', optionId, ...steps];
  const days = (label: string, field: 'min' | 'max') => (
    <EditedField
      label={label}
      shown={String(estimate[field])}
      parse={parseWhole(0, 365)}
      change={(value) => setAt(at('estimate', field), value)}
      live
      align="right"
      testId={`estimate-${field}`}
    />
  );
  const texts = (field: 'label' | 'description' | 'freeLabel' | 'whenUnavailable', label: string) => (
    <EditedTexts
      label={label}
      at={at(field)}
      texts={option[field]}
      languages={market.languages}
      needed={field === 'label'}
      testId={field}
    />
  );
  const date = (label: string, end: 'from' | 'until', none: string) => (
    <ScheduleDate {...{ label, end, none, schedule }} path={at('schedule')} />
  );
  return (
    <GuardedEdits edit={edit}>
      <div className="leading-7">
        {refusal}
        <p>
          A{' '}
          <PhraseSelect
            label="Kind"
            value={option.kind}
            options={optionKinds.all.map(({ kind, called }) => [kind, called] as const)}
            choose={(kind) =>
              edit(inTurn(...(option.place ? [setAt(at('place'), undefined)] : []), setOption(optionId, 'kind', kind)))
            }
          />{' '}
          called{' '}
          <EditedField
            label="Name"
            shown={option.name}
            parse={parseName}
            change={(value) => setOption(optionId, 'name', value)}
            testId="option-name"
          />
          , there in {days('At least', 'min')} to {days('At most', 'max')}{' '}
          <PhraseSelect
            label="Unit of the estimate"
            value={estimate.unit ?? 'workingDays'}
            options={[
              ['workingDays', 'working days'],
              ['hours', 'hours'],
            ]}
            choose={(unit) => edit(setAt(at('estimate', 'unit'), unit === 'workingDays' ? undefined : unit))}
          />
          , when ordered before{' '}
          <EditedField
            label="Cut-off"
            shown={estimate.cutOff ?? ''}
            parse={orNone(parseTime)}
            change={(value) => setAt(at('estimate', 'cutOff'), value)}
            placeholder="midnight"
            testId="cut-off"
          />
          , by the calendar{' '}
          <PhraseSelect
            label="Calendar"
            value={estimate.calendar ?? ''}
            options={[
              ['', 'Monday to Friday'],
              ...inOrder(policy.calendars ?? {}).map(([id, { name }]) => [id, name] as const),
            ]}
            choose={(id) => edit(setAt(at('estimate', 'calendar'), id === '' ? undefined : id))}
            testId="calendar-phrase"
          />
          {optionKindOf(option).isCollected && (
            <>
              , collected at{' '}
              <PhraseSelect
                label="Place"
                quiet={!option.place}
                value={option.place ?? ''}
                options={[
                  ['', 'no stated place'],
                  ...inOrder(policy.places ?? {}).map(([id, { name }]) => [id, name] as const),
                ]}
                choose={(id) => edit(setAt(at('place'), id === '' ? undefined : id))}
                testId="place-phrase"
              />
            </>
          )}
          .
        </p>
        <ChargeEditor
          optionId={optionId}
          charge={option.charge}
          marketId={marketId}
          currency={market.currency}
          words={words}
        />
        <OptionPacking optionId={optionId} option={option} />
        <p>Shoppers read {texts('label', 'Label')}</p>
        <p className="text-small">Below it {texts('description', 'Description')}</p>
        <p className="text-small">Once it is free {texts('freeLabel', 'Label once free')}</p>
        <PictureField optionId={optionId} picture={option.picture} languages={market.languages} />
        <QuestionList optionId={optionId} questions={option.questions} languages={market.languages} />
        <div>
          Offered{' '}
          <WhenPhrase label="Offered" path={at('when')} when={option.when} markets={[marketId]} testId="offered-when" />
        </div>
        <p>
          From {date('Offered from', 'from', 'any day')} until {date('Offered until', 'until', 'it is taken off')} on
          the clock of{' '}
          <PhraseSelect
            label="Clock of the dates"
            value={schedule?.readIn === 'market' ? 'market' : 'store'}
            options={[
              ['store', 'the store'],
              ['market', 'the market'],
            ]}
            choose={(readIn) => schedule && edit(setAt(at('schedule', 'readIn'), readIn))}
          />
          ; elsewhere and otherwise {option.whenUnavailable ? 'shown with' : 'hidden, or shown with'}{' '}
          {texts('whenUnavailable', 'Text when unavailable')}
        </p>
        <p className="text-small">
          Tags{' '}
          <WordList
            what="tag"
            words={option.tags}
            placeholder="add a tag"
            change={(tags) => edit(setOption(optionId, 'tags', tags))}
          />
          channels{' '}
          <WordList
            what="channel"
            words={option.channels}
            none="all"
            placeholder="only in …"
            change={(channels) => edit(setOption(optionId, 'channels', channels))}
          />
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => edit(setAt(at(), undefined))}
            data-testid="remove-option"
          >
            Remove this option
          </button>
        </p>
        <CopyOption optionId={optionId} option={option} marketId={marketId} />
      </div>
    </GuardedEdits>
  );
}
