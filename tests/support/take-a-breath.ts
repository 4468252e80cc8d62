import { afterEach } from 'vitest';

/**
 * Long computations in a row leave a worker no turn of its event loop to hear the runner's answers in, which then counts as
 * lost after a minute: one turn after each test.
 */
afterEach(() => new Promise<void>((resolve) => setImmediate(resolve)));
