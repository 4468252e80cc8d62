import { readFile, stat } from 'node:fs/promises';
import { heldFor } from '../held.ts';
import { log } from '../log.ts';
import type { Soon } from '../soon.ts';
import { addressTable, type FindAddress } from './address-table.ts';

/** A table that has changed is seen so late at most. ms */
const lookedAtEach = 1000;

let known: { find: FindAddress; changed: number } = { find: () => null, changed: -1 };
let told = '';
const held = heldFor(lookedAtEach, look);

/**
 * The table of addresses at `SUMMANT_ADDRESSES`, read anew when it has changed. One that cannot be read is told in the log, once,
 * and the one before stays.
 */
export const knownAddresses = (): Soon<FindAddress> => held.get();

async function look(): Promise<FindAddress> {
  const path = process.env.SUMMANT_ADDRESSES ?? '';
  try {
    const { mtimeMs: changed } = await stat(path);
    if (changed !== known.changed) known = { find: addressTable(await readFile(path, 'utf8')), changed };
    told = '';
  } catch (error) {
    const problem = error instanceof Error ? error.message : String(error);
    if (problem !== told) log.error({ path, problem }, 'the table of addresses is not used');
    told = problem;
  }
  return known.find;
}
