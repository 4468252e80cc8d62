import type { News } from '../../contract/shapes/together.ts';
import { listenToNews } from './news-watch.ts';

/** Something is sent at least so often, so that nobody on the way takes the line for dead; then it is also looked whether who listens still may. ms */
const beat = 10_000;
/** Browsers ask again by themselves. ms */
const longest = 10 * 60_000;

/**
 * News as server-sent events (HTML Living Standard, 9.2).
 *
 * @param may whether who listens still may @param signal who listens is gone
 */
export function newsStream(may: () => Promise<boolean>, signal: AbortSignal): Response {
  const encoder = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      const stop = listenToNews((news: News) => send(`data: ${JSON.stringify(news)}\n\n`));
      const pulse = setInterval(() => {
        may().then(
          (still) => (still ? send(':\n\n') : end()),
          // Whether the database is away says nothing of who listens.
          () => send(':\n\n'),
        );
      }, beat);
      const over = setTimeout(() => end(), longest);
      end = () => {
        end = () => {};
        stop();
        clearInterval(pulse);
        clearTimeout(over);
        try {
          controller.close();
        } catch {
          // Who listened has closed it.
        }
      };
      signal.addEventListener('abort', () => end(), { once: true });
    },
    cancel() {
      end();
    },
  });
  return new Response(body, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}
