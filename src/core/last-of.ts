/** What work in steps comes to, done without a pause. */
export function lastOf<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
