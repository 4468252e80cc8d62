import { readFile, stat } from 'node:fs/promises';
import { log } from '../log.ts';
import { addressTable, type FindAddress } from './address-table.ts';

/** A table that has changed is seen so late at most. ms */
const lookedAtEach = 1000;

const none: FindAddress = () => null;
let known = { find: none, changed: -1 };
let looking: { done: Promise<void>; until: number } | null = null;

/**
 * The table of addresses at `SUMMANT_ADDRESSES`, read anew when it has changed. One that cannot be read is told in the log, and
 * the one before stays.
 */
export async function knownAddresses(): Promise<FindAddress> {
  const now = performance.now();
  if (looking === null || now >= looking.until) looking = { done: look(), until: now + lookedAtEach };
  await looking.done;
  return known.find;
}

async function look(): Promise<void> {
  const path = process.env.SUMMANT_ADDRESSES;
  if (path === undefined) return;
  try {
    const { mtimeMs: changed } = await stat(path);
    if (changed === known.changed) return;
    // Noted before it is read, so that a table with a mistake is told once.
    known = { ...known, changed };
    known = { find: addressTable(await readFile(path, 'utf8')), changed };
  } catch (error) {
    log.error(
      { path, err: error instanceof Error ? error.message : String(error) },
      'the table of addresses is not used',
    );
  }
}
