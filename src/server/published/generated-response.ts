import type { Asked } from '../../core/surfaces/generated/generated.ts';
import { generatedFiles, type GeneratedFile } from '../../core/surfaces/generated/registry.ts';
import type { Problem } from '../http/problem.ts';

/** A generated file, of which market and in which language; empty for one of the store. */
export interface Named {
  market: string;
  language: string;
  file: string;
}

/** The record of a file; null where the policy has no such market or language, or there is no such file. */
export function fileNamed({ policy }: Asked, { market, language, file }: Named): GeneratedFile | null {
  const found = generatedFiles.named(file);
  if (!found) return null;
  if (found.per === 'store') return market === '' && language === '' ? found : null;
  const of = Object.hasOwn(policy.markets, market) ? policy.markets[market] : undefined;
  return of?.languages.includes(language) ? found : null;
}

export const noSuchFile: Problem = {
  status: 404,
  title: 'There is no such file',
  detail: 'Files are named after a market, one of its languages, and what they are; Release lists them under Surfaces.',
};

/** So much is put together before it is handed on. UTF-16 units */
const handedOn = 64 * 1024;

/** A text in parts, made as it is read: between two of them other work goes on. */
export function streamed(parts: Iterable<string>): ReadableStream<Uint8Array> {
  const iterator = parts[Symbol.iterator]();
  const encoder = new TextEncoder();
  return new ReadableStream<Uint8Array>(
    {
      async pull(controller) {
        await new Promise<void>((resolve) => setImmediate(resolve));
        let text = '';
        while (text.length < handedOn) {
          const { done, value } = iterator.next();
          if (done) {
            if (text !== '') controller.enqueue(encoder.encode(text));
            controller.close();
            return;
          }
          text += value;
        }
        controller.enqueue(encoder.encode(text));
      },
      cancel() {
        iterator.return?.();
      },
    },
    { highWaterMark: 0 },
  );
}
