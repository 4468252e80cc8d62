import type { RowDataPacket } from 'mysql2/promise';
import { database, reading } from '../database/pool.ts';
import type { ArmName } from '../../core/experiments/arm-name.ts';
import type { AskedCart } from '../../core/evaluation/asked-cart.ts';
import type { Outcome } from '../../core/orders/placed/outcome.ts';
import { withoutShopper } from './without-shopper.ts';

/** A signed quote, as far as an order that names it needs it. */
export interface GivenQuote {
  release: number;
  /** when it was given, ms since 1970-01-01T00:00Z */
  instant: number;
  shopper: Buffer | null;
  /** '' for none */
  arm: ArmName | '';
  asked: AskedCart;
  /** what the cart was offered, which may have rested on who asked */
  outcome: Outcome;
}

/** For so long after it is over an order may name a quote. Days */
const namedFor = 30;

/** Keeps what a signed quote was asked. @param until when it is over, ms */
export async function keepQuote(
  id: string,
  { release, instant, shopper, arm, asked, outcome }: GivenQuote,
  until: number,
): Promise<void> {
  await database().query(
    'INSERT INTO given_quote (id, given_at, forgotten_at, release_number, shopper_hash, arm, asked, outcome) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    [
      id,
      new Date(instant),
      new Date(until + namedFor * 86_400_000),
      release,
      shopper,
      arm,
      JSON.stringify(withoutShopper(asked)),
      JSON.stringify(outcome),
    ],
  );
}

export async function givenQuotes(ids: readonly string[]): Promise<ReadonlyMap<string, GivenQuote>> {
  if (ids.length === 0) return new Map();
  const [rows] = await reading((pool) =>
    pool.query<RowDataPacket[]>(
      'SELECT id, given_at, release_number, shopper_hash, arm, asked, outcome FROM given_quote WHERE id IN (?)',
      [ids],
    ),
  );
  return new Map(
    rows.map((row) => [
      String(row.id),
      {
        release: Number(row.release_number),
        instant: (row.given_at as Date).getTime(),
        shopper: row.shopper_hash as Buffer | null,
        arm: String(row.arm) as ArmName | '',
        asked: JSON.parse(String(row.asked)) as AskedCart,
        outcome: JSON.parse(String(row.outcome)) as Outcome,
      },
    ]),
  );
}

export async function forgetOldQuotes(): Promise<void> {
  await database().query('DELETE FROM given_quote WHERE forgotten_at < UTC_TIMESTAMP(3) LIMIT 10000');
}
