import type { Measures } from '../cart/measures.ts';
import type { CompiledZone } from '../evaluation/compile.ts';
import { evaluateZone } from '../evaluation/evaluate.ts';
import type { Evaluation, LeadMessage } from '../evaluation/evaluation.ts';

/** The leading message for an imagined order with these measures in a zone. */
export function leadOfValue(zone: CompiledZone, measures: Measures): LeadMessage | null {
  const evaluation: Evaluation = {
    marketId: zone.market.id,
    zoneId: zone.id,
    currency: zone.market.market.currency,
    measures,
    options: [],
    unavailable: [],
    noOptions: null,
    offers: [],
    lead: null,
    preselected: null,
    total: 0,
    trace: null,
  };
  evaluateZone(zone, measures, evaluation);
  return evaluation.lead;
}
