import { afterEach, beforeEach } from 'vitest';

/** What the runner keeps for itself; another version may keep it elsewhere. */
interface Kept {
  rpc?: { getCountOfFailedTests?: () => Promise<number> };
}

/**
 * The runner takes a message for lost whose answer a worker has not read for a minute, and long computations in a row leave
 * a worker no turn to read it in. So no test begins before every answer is here: they come in the order of what was asked,
 * and any question will do.
 */
async function allAnswered(): Promise<void> {
  const { rpc } = (globalThis as { __vitest_worker__?: Kept }).__vitest_worker__ ?? {};
  if (!rpc?.getCountOfFailedTests)
    throw new Error('the runner cannot be asked anything: see tests/support/take-a-breath.ts');
  await rpc.getCountOfFailedTests();
}

beforeEach(allAnswered);
afterEach(allAnswered);
