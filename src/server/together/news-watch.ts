import type { RowDataPacket } from 'mysql2/promise';
import type { News } from '../../contract/shapes/together.ts';
import { reading } from '../database/pool.ts';
import { isUnavailable } from '../database/unavailable.ts';
import { log } from '../log.ts';
import { storeId } from '../store-id.ts';
import { openCommentsIn } from './comment-store.ts';
import { presentIn } from './presence-store.ts';

/** How often it is looked for news while anybody listens: what another process has done is seen as soon as what this one has. ms */
const every = 250;

type Listener = (news: News) => void;

const listeners = new Set<Listener>();
let last: { news: News; text: string } | null = null;
let timer: ReturnType<typeof setTimeout> | null = null;

/** Tells what is now, and each time that it changes. @returns ends it */
export function listenToNews(listener: Listener): () => void {
  listeners.add(listener);
  if (last) listener(last.news);
  if (!timer) look();
  return () => {
    listeners.delete(listener);
  };
}

/** One look after the other, as long as somebody listens. */
function look(): void {
  timer = setTimeout(
    () => {
      void tellNews().finally(() => {
        timer = null;
        if (listeners.size > 0) look();
        else last = null;
      });
    },
    last ? every : 0,
  );
}

async function tellNews(): Promise<void> {
  try {
    const news = await readNews();
    const text = JSON.stringify(news);
    if (text === last?.text) return;
    last = { news, text };
    for (const listener of listeners) listener(news);
  } catch (error) {
    // While the database is away there is no news; pages find out by themselves.
    if (!isUnavailable(error)) log.error({ err: String(error) }, 'news could not be read');
  }
}

const readNews = (): Promise<News> =>
  reading(async (pool) => {
    const [[row]] = await pool.query<RowDataPacket[]>(
      'SELECT (SELECT revision FROM draft WHERE store_id = ?) AS draft, (SELECT MAX(number) FROM policy_release WHERE store_id = ?) AS released',
      [storeId, storeId],
    );
    return {
      draft: Number(row?.draft ?? 0),
      release: row?.released === null || row?.released === undefined ? null : Number(row.released),
      people: await presentIn(pool),
      comments: await openCommentsIn(pool),
    };
  });
