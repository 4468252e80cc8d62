import type { News } from '../../contract/shapes/together.ts';

const name = 'summant-news';

/** Until it is tried again, where it was refused. ms */
const refusedPause = 10_000;

type Told = { news: News } | { asked: true };

/**
 * Hears what changes. Of all tabs one listens to the server and tells the others: over HTTP/1.1 a browser has six lines to a host, and
 * each listener would keep one. @returns ends it
 */
export function hearNews(take: (news: News) => void): () => void {
  const channel = new BroadcastChannel(name);
  const ended = new AbortController();
  let last: News | null = null;
  const heard = (news: News) => {
    last = news;
    take(news);
  };
  channel.onmessage = ({ data }: MessageEvent<Told>) => {
    if ('news' in data) heard(data.news);
    else if (last) channel.postMessage({ news: last } satisfies Told);
  };
  const listen = () =>
    new Promise<void>((resolve) => {
      let source: EventSource;
      let again: ReturnType<typeof setTimeout>;
      const begin = () => {
        source = new EventSource('/api/news');
        source.onmessage = ({ data }: MessageEvent<string>) => {
          const news = JSON.parse(data) as News;
          heard(news);
          channel.postMessage({ news } satisfies Told);
        };
        // A line that breaks is taken up again by the browser; one that was refused is not.
        source.onerror = () => {
          if (source.readyState === EventSource.CLOSED) again = setTimeout(begin, refusedPause);
        };
      };
      begin();
      ended.signal.addEventListener('abort', () => {
        clearTimeout(again);
        source.close();
        resolve();
      });
    });
  // Pages over plain http from elsewhere have no locks.
  if (navigator.locks)
    navigator.locks
      .request(name, { signal: ended.signal }, () => (ended.signal.aborted ? undefined : listen()))
      .catch(() => {});
  else void listen();
  channel.postMessage({ asked: true } satisfies Told);
  return () => {
    ended.abort();
    channel.close();
  };
}
