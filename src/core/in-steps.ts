/** What work in steps comes to, done without a pause. */
export function lastOf<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/**
 * The same, with a turn for others between the steps.
 *
 * @param turn awaited between them; whether it was one @param told of how far the work is, at each turn
 */
export async function inTurns<Step, Result>(
  steps: Generator<Step, Result>,
  turn: () => Promise<boolean | void>,
  told?: (step: Step) => void,
): Promise<Result> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (await turn()) told?.(step.value);
  }
}
