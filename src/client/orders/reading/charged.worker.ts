import { expose, wrap } from 'comlink';
import { chargedOrders, type ChargedOrders, type RulesSince } from '../../../core/charged/charged-orders.ts';
import { compilePolicy } from '../../../core/evaluation/compile.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { call } from '../../http.ts';
import type { HeldOrders } from '../held-orders.ts';
import { sometimes, type TellShare } from './sometimes.ts';

/** Which rules orders are compared with. */
export interface RulesAsked {
  market: string;
  currency: string;
  /** of the store */
  timeZone: string;
  /** releases with the day since which each has been in force, oldest first */
  releases: { number: number; day: number }[];
  /** compared with instead, where nothing has been released */
  draft: Policy | null;
}

/** Compares past orders with the rules of their day: a worker of its own, so that it can be stopped. */
export class Comparing {
  /** @param port to the worker that holds the orders @throws Error in words */
  async compare(asked: RulesAsked, port: MessagePort, tell: TellShare): Promise<ChargedOrders> {
    const { market, currency, timeZone } = asked;
    const { columns, shipments } = await wrap<HeldOrders>(port).shipped(market);
    if (!shipments) throw new Error('It is not known where the orders went');
    return chargedOrders({ currency, columns, shipments }, market, await rulesOf(asked), timeZone, sometimes(tell));
  }
}

async function rulesOf({ releases, draft }: RulesAsked): Promise<RulesSince[]> {
  if (draft) return [{ day: 0, compiled: compilePolicy(draft) }];
  const rules: RulesSince[] = [];
  for (const { number, day } of releases) {
    const answer = await call('GET /api/releases/{number}', { params: { number } });
    if (!answer.ok) throw new Error(answer.problem.title);
    rules.push({ day, compiled: compilePolicy(answer.body.policy) });
  }
  return rules;
}

expose(new Comparing());
