import { Type, type Static } from '@sinclair/typebox';
import { flag, moment, nullable, object, text, whole } from '../shape.ts';

/** How what runs beside the requests is doing. */
export const HealthShape = object({
  since: Type.Unsafe<string>({ ...moment, description: 'when the process began' }),
  databaseHost: text,
  release: nullable(whole),
  importsUnderWay: whole,
  /** calls to receivers: how many have not arrived, the oldest of them, receivers at which none arrives, and that are told nothing more */
  outbox: object({ waiting: whole, oldest: nullable(moment), failing: whole, givenUp: whole }),
  /** the newest day that rates are known of, and surfaces that could not be fetched the last time */
  feeds: object({ newestRates: nullable(text), surfacesFailing: whole }),
  /** since the process began */
  carriers: object({ asked: whole, silent: whole }),
  /** whether the simulated outside services answer */
  standIns: flag,
});
export type Health = Static<typeof HealthShape>;
