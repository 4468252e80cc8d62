import { checkSelection } from '../../options/check-selection.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Notice, Policy } from '../../policy/types.ts';
import { checkSchedule } from '../../time/check-schedule.ts';
import { isTimeZone } from '../../time/time-zone-clock.ts';
import { checkCondition } from './check-condition.ts';

/** Markets, options and qualifiers it names exist, and no offer is called like it: their texts stand side by side. */
export function checkNotice(id: string, notice: Notice, policy: Policy, fault: Fault): void {
  const at = `/notices/${id}`;
  if (Object.hasOwn(policy.offers, id)) fault(at, 'is the id of an offer, too');
  if (notice.archived && notice.on) fault(`${at}/on`, 'must be off: the notice is archived');
  for (const market of Object.keys(notice.markets ?? {}))
    if (!policy.markets[market]) fault(`${at}/markets/${market}`, `there is no market "${market}"`);
  if (notice.schedule) checkSchedule(notice.schedule, `${at}/schedule`, fault);
  if (notice.when) checkCondition(notice.when, policy, `${at}/when`, fault);
  const { countdown } = notice;
  if (countdown?.to === 'cutOff') checkSelection(countdown.on, policy, `${at}/countdown/on`, fault);
  if (countdown?.to === 'moment') {
    checkSchedule({ readIn: countdown.readIn, from: countdown.at }, `${at}/countdown`, fault);
    if (!['store', 'market'].includes(countdown.readIn) && !isTimeZone(countdown.readIn))
      fault(`${at}/countdown/readIn`, 'is not an IANA time zone');
  }
}
