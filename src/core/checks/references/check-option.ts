import { priceKindOf } from '../../charges/prices/registry.ts';
import { optionKindOf } from '../../options/kinds/registry.ts';
import { inOrder } from '../../ordered.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Charge, ChargeLine, DeliveryOption, LocalAmount, Policy } from '../../policy/types.ts';
import { checkAmount } from '../../money/check-amounts.ts';
import { checkCondition } from './check-condition.ts';
import { checkSchedule } from '../../time/check-schedule.ts';

/** Its zone and calendar exist; ranges run upward; amounts can be worked out. */
export function checkOption(id: string, option: DeliveryOption, policy: Policy, fault: Fault): void {
  const at = `/options/${id}`;
  const { min, max, calendar } = option.estimate;
  if (min > max) fault(`${at}/estimate/max`, 'must not be less than min');
  if (calendar !== undefined && !policy.calendars?.[calendar])
    fault(`${at}/estimate/calendar`, `there is no calendar "${calendar}"`);
  if (option.place !== undefined && !policy.places?.[option.place])
    fault(`${at}/place`, `there is no place "${option.place}"`);
  if (option.place !== undefined && !optionKindOf(option).isCollected)
    fault(`${at}/place`, 'only what is picked up has a place');
  if (option.schedule) checkSchedule(option.schedule, `${at}/schedule`, fault);
  const zone = policy.zones[option.zone];
  if (!zone) return fault(`${at}/zone`, `there is no zone "${option.zone}"`);
  if (!policy.markets[zone.market]) return;
  if (option.when) checkCondition(option.when, policy, `${at}/when`, fault);
  checkCharge(option.charge, policy, zone.market, `${at}/charge`, fault);
}

function checkCharge(charge: Charge, policy: Policy, marketId: string, at: string, fault: Fault): void {
  const amount = (local: LocalAmount, pointer: string) => checkAmount(local, policy, marketId, pointer, fault);
  for (const [id, line] of inOrder(charge.lines)) {
    const here = `${at}/lines/${id}`;
    if (line.when) checkCondition(line.when, policy, `${here}/when`, fault);
    checkRange(line, amount, `${here}/over`, fault);
    priceKindOf(line.price).check(line.price, amount, `${here}/price`, fault);
  }
  if (charge.otherwise.kind === 'price') amount(charge.otherwise.price, `${at}/otherwise/price`);
  if (charge.handling && 'amount' in charge.handling) amount(charge.handling.amount, `${at}/handling/amount`);
}

type Resolve = (local: LocalAmount, pointer: string) => number | null;

function checkRange({ over }: ChargeLine, amount: Resolve, at: string, fault: Fault): void {
  if (!over) return;
  const bound = (value: LocalAmount | number, pointer: string) =>
    typeof value === 'number' ? value : amount(value, pointer);
  const from = bound(over.from, `${at}/from`);
  const to = over.to === null ? null : bound(over.to, `${at}/to`);
  if (from !== null && to !== null && to <= from) fault(`${at}/to`, 'must be more than from');
}
