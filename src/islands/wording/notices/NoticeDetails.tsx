import { archiveNotice, removeNotice } from '../../../client/edits/notice-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import type { Notice } from '../../../core/policy/types.ts';
import { WhenPhrase } from '../../conditions/WhenPhrase.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { MarketsPhrase } from '../../fields/phrases/MarketsPhrase.tsx';
import { SchedulePhrase } from '../../fields/phrases/SchedulePhrase.tsx';
import { SwitchedHeading } from '../../fields/phrases/SwitchedHeading.tsx';
import { parseWhole } from '../../fields/typed-text.ts';
import { GuardedEdits, useGuardedEdit } from '../../page/use-edit.tsx';
import { CountdownPhrase } from './CountdownPhrase.tsx';

/** A notice as sentences: when, where and to whom it is said, and what it counts down to. */
export function NoticeDetails({ noticeId, notice, marketId }: { noticeId: string; notice: Notice; marketId: string }) {
  const { edit, refusal } = useGuardedEdit();
  const at = (...steps: string[]) => ['notices', noticeId, ...steps];
  return (
    <GuardedEdits edit={edit}>
      <div className="mb-3 border-b border-hairline pb-2 leading-7" data-testid="notice-details">
        {refusal}
        <SwitchedHeading
          what="notice"
          path={at()}
          entry={notice}
          archive={(archived) => archiveNotice(noticeId, archived)}
          remove={removeNotice(noticeId)}
          aside={<span className="text-soft">a notice, read where no offer has anything to say</span>}
        />
        <SchedulePhrase path={at('schedule')} schedule={notice.schedule} />
        <MarketsPhrase path={at('markets')} chosen={notice.markets} every="every market" testId="notice-markets" />
        <div>
          For{' '}
          <WhenPhrase
            label="For whom"
            path={at('when')}
            when={notice.when}
            markets={[marketId]}
            always="everyone"
            testId="notice-when"
          />
        </div>
        <CountdownPhrase path={at('countdown')} countdown={notice.countdown} marketId={marketId} />
        <p>
          Of several notices the one of the highest priority is read; of this it is{' '}
          <EditedField
            label="Priority of the notice"
            shown={String(notice.priority)}
            parse={parsePriority}
            change={(priority) => setAt(at('priority'), priority)}
            align="right"
            testId="notice-priority"
          />
          .
        </p>
      </div>
    </GuardedEdits>
  );
}

/** From −1000 to 1000. */
function parsePriority(text: string): ReturnType<ReturnType<typeof parseWhole>> {
  const sign = /^\s*[-−]/.test(text) ? -1 : 1;
  const parsed = parseWhole(0, 1000)(text.replace(/^\s*[-−]/, ''));
  return parsed.ok ? { ok: true, value: sign * parsed.value } : { ok: false, reason: 'From -1000 to 1000.' };
}
