import type { News } from '../../contract/shapes/together.ts';
import { hearNews } from './hear-news.ts';
import { sayWhere } from './say-where.ts';

let leave = (): Promise<unknown> => Promise.resolve();

/**
 * Hears nothing more and says that this page is left. Before whoever looks at it signs out: afterwards neither would be
 * answered but with a refusal.
 */
export const beGone = (): Promise<unknown> => leave();

/** Hears what others do, and tells them where this page is. @returns ends both */
export function beThere(place: string, take: (news: News) => void): () => void {
  const endHearing = hearNews(take);
  const saying = sayWhere(place);
  leave = () => {
    endHearing();
    return saying.leave();
  };
  return () => {
    endHearing();
    saying.end();
  };
}
