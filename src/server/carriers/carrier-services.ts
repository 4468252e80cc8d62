import type { RowDataPacket } from 'mysql2/promise';
import type { CarrierServiceChange, CarrierServiceListed } from '../../contract/shapes/carrier.ts';
import { inTransaction, reading } from '../database/pool.ts';
import { heldFor } from '../held.ts';
import { usualCarrierAddress } from '../http/guard.ts';
import { seal, unseal } from '../secrets/sealing.ts';
import { storeId } from '../store-id.ts';
import { resetBreakers, stateOf } from './breakers.ts';

/** Where a carrier is asked. */
export interface CarrierService {
  address: URL;
  /** sent along; null: none is needed */
  secret: string | null;
  /** for how long it is waited. ms */
  timeout: number;
  /** for so long what it said last stands in where it is silent. ms; 0: not at all */
  keep: number;
}

/** Carriers that have an address of their own. */
const mostServices = 100;
/** How long a carrier is waited for where nothing is said. ms */
const usualTimeout = 1500;
/** For so long other processes may still ask at an address that has been changed meanwhile. ms */
const holdsFor = 1000;
const held = heldFor(holdsFor, async () => {
  const rows = await readRows();
  return new Map(
    rows.map(({ name, address, secret, timeout_ms, keep_minutes }): [string, CarrierService] => [
      String(name),
      {
        address: new URL(String(address)),
        secret: secret === null ? null : unseal(secret as Buffer, 'carrier').toString(),
        timeout: Number(timeout_ms),
        keep: Number(keep_minutes) * 60_000,
      },
    ]),
  );
});

/** Where a carrier is asked: at its own address, else at the usual one. */
export async function carrierService(name: string): Promise<CarrierService> {
  const own = (await held.get()).get(name);
  return own ?? { address: usualCarrierAddress(), secret: null, timeout: usualTimeout, keep: 0 };
}

async function readRows(): Promise<RowDataPacket[]> {
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>('SELECT * FROM carrier_service WHERE store_id = ? ORDER BY name', [storeId]),
  );
  return rows;
}

export async function listServices(): Promise<CarrierServiceListed[]> {
  return (await readRows()).map(({ name, address, secret, timeout_ms, keep_minutes }) => ({
    name: String(name),
    address: String(address),
    hasSecret: secret !== null,
    timeoutMs: Number(timeout_ms),
    keepMinutes: Number(keep_minutes),
    state: stateOf(String(name)),
  }));
}

/** @returns false where there are as many as there may be */
export async function changeService(
  name: string,
  { address, secret, timeoutMs, keepMinutes }: CarrierServiceChange,
): Promise<boolean> {
  try {
    return await inTransaction(async (connection) => {
      const [rows] = await connection.query<RowDataPacket[]>(
        'SELECT name, secret FROM carrier_service WHERE store_id = ? FOR UPDATE',
        [storeId],
      );
      const before = rows.find((row) => row.name === name);
      if (!before && rows.length >= mostServices) return false;
      const kept = before ? (before.secret as Buffer | null) : null;
      const given = secret && seal(Buffer.from(secret), 'carrier');
      await connection.query(
        'REPLACE INTO carrier_service (store_id, name, address, secret, timeout_ms, keep_minutes) VALUES (?, ?, ?, ?, ?, ?)',
        [storeId, name, address, given === undefined ? kept : given, timeoutMs, keepMinutes],
      );
      return true;
    });
  } finally {
    held.forget();
    resetBreakers();
  }
}

export async function removeService(name: string): Promise<void> {
  try {
    await reading((pool) => pool.query('DELETE FROM carrier_service WHERE store_id = ? AND name = ?', [storeId, name]));
  } finally {
    held.forget();
    resetBreakers();
  }
}
