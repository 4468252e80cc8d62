import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** Whether the page is being put on paper. What is only for paper is drawn in that moment, before it is laid out, and never before. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const paper = window.matchMedia('print');
    const set = (now: boolean) => flushSync(() => setPrinting(now));
    const begin = () => set(true);
    const end = () => set(false);
    const change = () => set(paper.matches);
    paper.addEventListener('change', change);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      paper.removeEventListener('change', change);
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return printing;
}
