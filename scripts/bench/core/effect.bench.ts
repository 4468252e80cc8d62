import { demoPolicy } from '../../../demo/policy/demo-policy.ts';
import { effectOf } from '../../../src/core/effect/effect.ts';
import { inOrder } from '../../../src/core/ordered.ts';
import type { Policy } from '../../../src/core/policy/types.ts';
import { median, type Bar } from '../bar.ts';
import { bigStore } from '../big-store.ts';

const now = Date.parse('2026-11-24T11:00Z');

/** What an edit changes for shoppers: a goal, an option, the places of a zone; of the demo, and of 60 markets with 400 zones. */
export async function bars(): Promise<Bar[]> {
  return [
    ...barsOf('the demo', demoPolicy, 30, 200),
    ...barsOf('60 markets, 400 zones, 3,000 options', bigStore(), 3, 5000),
  ];
}

const edits: readonly (readonly [name: string, edit: (policy: Policy) => void])[] = [
  [
    'another goal',
    ({ offers }) => moveGoal(inOrder(offers).find(([, { goals }]) => Object.keys(goals).length > 0)![1]),
  ],
  ['an option turned off', ({ options }) => (inOrder(options)[0]![1].on = false)],
  ['an offer turned off', ({ offers }) => (inOrder(offers).find(([, { on }]) => on)![1].on = false)],
];

function moveGoal({ goals }: Policy['offers'][string]): void {
  const [goal] = Object.values(goals);
  const [market] = Object.keys(goal!.targets);
  goal!.targets[market!] = { exact: 7900 };
}

function barsOf(name: string, policy: Policy, runs: number, most: number): Bar[] {
  return edits.map(([what, edit]) => {
    const edited = structuredClone(policy);
    edit(edited);
    const times: number[] = [];
    let entries = 0;
    for (let run = 0; run < runs; run++) {
      // Nothing that an earlier run has made is used again.
      const [was, is] = structuredClone([policy, edited]) as [Policy, Policy];
      const start = performance.now();
      entries = effectOf({ was, is, now }).entries.length;
      times.push(performance.now() - start);
    }
    return {
      name: `effect on ${name}: ${what}, ${entries} entries`,
      measured: `${median(times).toFixed(0)} ms`,
      required: `< ${most} ms`,
      held: median(times) < most,
    };
  });
}
