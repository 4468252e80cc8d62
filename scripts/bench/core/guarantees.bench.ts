import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { examinedDemo } from '../../../tests/support/planted/examined-demo.ts';
import { guaranteeBroken } from '../../../src/core/check-up/kinds/release/guarantee-broken.ts';
import { starterGuarantees } from '../../../src/core/guarantees/starters.ts';
import { inOrder } from '../../../src/core/ordered.ts';
import type { Guarantee, Policy } from '../../../src/core/policy/types.ts';
import { median, type Bar } from '../bar.ts';

const all = 50;

/** Every starter for all markets, and then market by market: 50 guarantees, looked at whole and after an edit of one price. */
export async function bars(): Promise<Bar[]> {
  const policy = { ...demoPolicy, guarantees: fifty() };
  const { catalogue } = examinedDemo(policy);
  const look = (at: Policy): number => {
    const examined = { ...examinedDemo(at), catalogue };
    const start = performance.now();
    guaranteeBroken.find(examined);
    return performance.now() - start;
  };
  const whole = look(policy);
  const edited: number[] = [];
  const [first] = inOrder(policy.options)[0]!;
  for (let run = 0; run < 60; run++) {
    const option = policy.options[first]!;
    const charge = { ...option.charge, otherwise: { kind: 'price' as const, price: { exact: 900 + run } } };
    edited.push(look({ ...policy, options: { ...policy.options, [first]: { ...option, charge } } }));
  }
  const measured = median(edited.slice(edited.length / 2));
  return [
    {
      name: `${all} guarantees of the demo, the first time`,
      measured: `${whole.toFixed(0)} ms`,
      required: 'no bar',
      held: true,
    },
    {
      name: `${all} guarantees of the demo, after one edit of a price`,
      measured: `${measured.toFixed(1)} ms`,
      required: '< 50 ms',
      held: measured < 50,
    },
  ];
}

function fifty(): Record<string, Guarantee> {
  const markets = [undefined, ...inOrder(demoPolicy.markets).map(([id]) => ({ [id]: true as const }))];
  const made = markets.flatMap((only) =>
    starterGuarantees.flatMap(({ name, begin }): Omit<Guarantee, 'order'>[] => {
      const begun = begin(demoPolicy);
      return begun ? [{ name, on: true, ...begun, ...(only ? { markets: only } : {}) }] : [];
    }),
  );
  return Object.fromEntries(
    made.slice(0, all).map((guarantee, index) => [`guarantee-${index}`, { order: index + 1, ...guarantee }]),
  );
}
