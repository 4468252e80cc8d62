import type { RowDataPacket } from 'mysql2/promise';
import { resetBreakers } from '../carriers/breakers.ts';
import { reading } from '../database/pool.ts';

/** The simulated outside services, and what each can be made to do; the first is how it is meant to be. */
export const standIns = {
  'rate-feed': ['works', 'stale', 'down'],
  carrier: ['works', 'slow', 'failing', 'wrong', 'down'],
  where: ['works', 'down'],
  receiver: ['works', 'slow', 'wrong', 'down'],
  pages: ['works', 'slow', 'elsewhere', 'down'],
  provider: ['works', 'slow', 'nonce', 'issuer', 'signature', 'expiry', 'audience', 'down'],
} as const;

type StandIn = keyof typeof standIns;
type StandInMode<Name extends StandIn> = (typeof standIns)[Name][number];

export const isStandIn = (name: string): name is StandIn => Object.hasOwn(standIns, name);

export async function standInMode<Name extends StandIn>(name: Name): Promise<StandInMode<Name>> {
  return reading(async (pool) => {
    const [rows] = await pool.query<RowDataPacket[]>('SELECT mode FROM stand_in WHERE name = ?', [name]);
    const modes: readonly string[] = standIns[name];
    const mode = rows[0] ? String(rows[0].mode) : '';
    return (modes.includes(mode) ? mode : modes[0]) as StandInMode<Name>;
  });
}

export async function setStandInMode(name: StandIn, mode: string): Promise<void> {
  // Carriers that were left alone are asked again: what they do is another thing now.
  resetBreakers();
  await reading((pool) => pool.query('REPLACE INTO stand_in (name, mode) VALUES (?, ?)', [name, mode]));
}
