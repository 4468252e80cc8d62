import type { News } from '../../contract/shapes/together.ts';
import { hearNews } from './hear-news.ts';
import { sayWhere } from './say-where.ts';

/** Hears what others do, and tells them where this page is. @returns ends both */
export function beThere(place: string, take: (news: News) => void): () => void {
  const ends = [hearNews(take), sayWhere(place)];
  return () => {
    for (const end of ends) end();
  };
}
