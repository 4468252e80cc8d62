import { Type } from '@sinclair/typebox';
import type { RateHistory } from '../../core/money/rate-history.ts';
import { flag, list, nullable, object, ofCore, text, whole } from '../shape.ts';
import { RejectionShape } from './import.ts';

/** Currency → days, the oldest first. */
export const RateHistoryShape = ofCore<RateHistory>()(
  Type.Record(Type.String(), list(object({ day: text, rate: text }))),
);

const added = { added: whole, changed: whole, same: whole };

export const FetchedRatesShape = object({ ...added, newest: nullable(text) });
export const ImportedRatesShape = object({
  ...added,
  dryRun: flag,
  currencies: list(text),
  firstDay: nullable(text),
  lastDay: nullable(text),
  rejected: list(RejectionShape),
});
