import { addNotice } from '../../../client/edits/notice-edits.ts';
import { freshId } from '../../../client/edits/set-at.ts';
import { starterNotices, startNotice } from '../../../core/notices/starter-notices.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { localTime } from '../../../core/time/time-zone-clock.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNow } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { useEdit } from '../../page/use-edit.tsx';

/** Begins a notice: a message without a goal. */
export function AddNotice({ added }: { added: (id: string) => void }) {
  const policy = usePolicy();
  const edit = useEdit();
  const now = useNow();
  return (
    <section ref={part('notices')} className="mt-4 border-t border-hairline pt-2" aria-label="Notices">
      <h2 className="text-title">A notice</h2>
      <p className="text-small text-soft">
        is read where no offer has anything to say. It begins off, with texts to be changed; begin one for
      </p>
      <p className="flex flex-wrap gap-1">
        {starterNotices.map((starter) => (
          <button
            key={starter.id}
            type="button"
            className="btn btn-xs"
            title={starter.says}
            onClick={() => {
              const id = freshId(starter.id, { ...policy.offers, ...policy.notices, ...policy.wording });
              const today = dateOfDay(localTime(policy.store.timeZone, now).day);
              if (edit(addNotice(id, startNotice(starter, policy, today)))) added(id);
            }}
            data-testid={`notice-${starter.id}`}
          >
            {starter.name}
          </button>
        ))}
      </p>
    </section>
  );
}
