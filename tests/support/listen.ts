import type { News } from '../../src/contract/shapes/together.ts';

/** Hears news as a page does, until it is closed. */
export function listen(address: string, cookie: string, take: (news: News) => void = () => {}) {
  const ended = new AbortController();
  const heard: News[] = [];
  let status = 0;
  const over = (async () => {
    const response = await fetch(`${address}/api/news`, { headers: { cookie }, signal: ended.signal });
    status = response.status;
    if (!response.ok) return void (await response.body?.cancel());
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      text += value;
      const events = text.split('\n\n');
      text = events.pop()!;
      for (const event of events)
        if (event.startsWith('data: ')) {
          const news = JSON.parse(event.slice('data: '.length)) as News;
          heard.push(news);
          take(news);
        }
    }
  })().catch((error: unknown) => {
    if (!ended.signal.aborted) throw error;
  });
  return {
    heard,
    /** until the server, or whoever listens, has ended it */
    over,
    status: () => status,
    last: () => heard.at(-1),
    close: async () => {
      ended.abort();
      await over;
    },
  };
}
