import { csvLine } from '../../core/tabular/write-csv.ts';
import { rejectionsOf } from './import-store.ts';

/** All rejected rows of an import as CSV, however many. */
export function rejectedCsv(id: number): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let after = 0;
  return new ReadableStream({
    start: (controller) => controller.enqueue(encoder.encode(csvLine(['line', 'column', 'reason']))),
    pull: async (controller) => {
      const batch = await rejectionsOf(id, 5000, after);
      if (batch.length > 0)
        controller.enqueue(
          encoder.encode(batch.map(({ line, column, reason }) => csvLine([line, column, reason])).join('')),
        );
      if (batch.length < 5000) controller.close();
      else after = batch.at(-1)!.line;
    },
  });
}
