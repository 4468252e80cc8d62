import type { RowDataPacket } from 'mysql2/promise';
import type { MarketLimit } from '../../core/people/market-limit.ts';

/** A limit to markets as it is stored. */
export const writtenLimit = (limit: MarketLimit): string | null => limit && JSON.stringify(limit);

/** The limit in the column `markets` of a row. */
export const limitFrom = ({ markets }: RowDataPacket): MarketLimit =>
  markets === null ? null : (JSON.parse(String(markets)) as string[]);
