import fc from 'fast-check';
import { expect, test } from 'vitest';
import { randomInput, randomPolicyWithZones } from '../../../tests/support/random-policy.ts';
import { compilePolicy } from '../evaluation/compile.ts';
import { evaluate } from '../evaluation/evaluate.ts';
import { lineApplies } from '../charges/charge.ts';
import { prepare } from '../evaluation/prepare.ts';
import { checkUp } from './check-up.ts';
import type { Finding } from './finding.ts';

/** What evaluations would show if a finding were not true; null: this one shows nothing of the kind. */
const contradicted: Record<string, (finding: Finding, seen: Seen) => boolean> = {
  zoneNeverWins: ({ at }, { evaluation }) => at === `/zones/${evaluation.zoneId}`,
  optionNever: ({ at }, { evaluation: { options, measures } }) =>
    options.some(
      ({ optionId }) =>
        at === `/options/${optionId}/when` || (at === `/options/${optionId}/charge` && measures!.hasOrdinaryLine),
    ),
  lineNever: ({ at }, { applying }) => applying.has(at),
  shadowedLine: ({ at }, { taken }) => taken.has(at),
  offerNever: ({ at }, { evaluation }) =>
    evaluation.offers.some(({ offerId, status }) => at === `/offers/${offerId}/when` && status === 'inForce'),
};

interface Seen {
  evaluation: ReturnType<typeof evaluate>;
  /** lines that apply, and those that decide where the first does */
  applying: ReadonlySet<string>;
  taken: ReadonlySet<string>;
}

/** Which lines of offered options apply to a cart. */
function linesSeen(
  compiled: ReturnType<typeof compilePolicy>,
  input: Parameters<typeof evaluate>[1],
): Omit<Seen, 'evaluation'> {
  const applying = new Set<string>();
  const taken = new Set<string>();
  const { context } = prepare(compiled, input);
  for (const { id, charge, when, channels } of context?.zone.options ?? []) {
    if ((when && !when.holds(context!.facts)) || (channels && !channels.has(context!.facts.cart.channel))) continue;
    let first = true;
    for (const line of charge.lines) {
      if (!lineApplies(line, charge, context!)) continue;
      const at = `/options/${id}/charge/lines/${line.id}`;
      applying.add(at);
      if (line.price.priceOf(context!, charge.weighing, null) === null) continue;
      if (first) taken.add(at);
      first = false;
    }
  }
  return { applying, taken };
}

test('what is said never to happen does not, for any cart', () => {
  const said: Record<string, number> = {};
  fc.assert(
    fc.property(randomPolicyWithZones, fc.array(randomInput, { minLength: 12, maxLength: 12 }), (policy, inputs) => {
      const compiled = compilePolicy(policy);
      const examined = { compiled, catalogue: new Map(), now: Date.parse('2026-06-01T12:00Z'), locale: 'en-GB' };
      const findings = checkUp(examined).findings.filter(({ kind }) => Object.hasOwn(contradicted, kind));
      for (const { kind } of findings) said[kind] = (said[kind] ?? 0) + 1;
      for (const input of inputs) {
        const seen = { evaluation: evaluate(compiled, input), ...linesSeen(compiled, input) };
        for (const finding of findings)
          expect([finding.id, contradicted[finding.kind]!(finding, seen)]).toEqual([finding.id, false]);
      }
    }),
    { numRuns: 400 },
  );
  // Enough was said to have been caught; that each kind is, planted faults show.
  expect(Object.values(said).reduce((sum, count) => sum + count, 0)).toBeGreaterThan(100);
}, 120_000);
