import type { RowDataPacket } from 'mysql2/promise';
import type { Health } from '../../contract/shapes/health.ts';
import { figures } from '../carriers/quotes-for.ts';
import { databaseHostInUse, reading } from '../database/pool.ts';
import { standInsAreOn } from '../stand-ins/stand-ins-on.ts';
import { storeId } from '../store-id.ts';

const began = new Date();

/** How what runs beside the requests is doing. @throws when the database is away */
export const readHealth = (): Promise<Health> =>
  reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      `SELECT
        (SELECT MAX(number) FROM policy_release WHERE store_id = ?) AS released,
        (SELECT COUNT(*) FROM import_run WHERE state IN ('reading', 'applying', 'reverting')) AS imports,
        (SELECT COUNT(*) FROM outgoing_call WHERE store_id = ? AND next_at IS NOT NULL) AS waiting,
        (SELECT MIN(made_at) FROM outgoing_call WHERE store_id = ? AND next_at IS NOT NULL) AS oldest,
        (SELECT COUNT(*) FROM receiver WHERE store_id = ? AND failing_since IS NOT NULL AND left_at IS NULL) AS failing,
        (SELECT COUNT(*) FROM receiver WHERE store_id = ? AND left_at IS NOT NULL) AS given_up,
        (SELECT CAST(MAX(day) AS CHAR) FROM rate_day WHERE store_id = ?) AS rates,
        (SELECT COUNT(*) FROM surface_reading WHERE store_id = ? AND problem IS NOT NULL) AS surfaces`,
      Array.from({ length: 7 }, () => storeId) as unknown[],
    );
    const moment = (at: unknown) => (at === null ? null : (at as Date).toISOString());
    return {
      since: began.toISOString(),
      databaseHost: databaseHostInUse(),
      release: row!.released === null ? null : Number(row!.released),
      importsUnderWay: Number(row!.imports),
      outbox: {
        waiting: Number(row!.waiting),
        oldest: moment(row!.oldest),
        failing: Number(row!.failing),
        givenUp: Number(row!.given_up),
      },
      feeds: { newestRates: row!.rates === null ? null : String(row!.rates), surfacesFailing: Number(row!.surfaces) },
      carriers: { ...figures },
      standIns: standInsAreOn(),
    };
  });
