import { useEffect, useLayoutEffect, useState, type RefObject } from 'react';

const useBrowserLayoutEffect = typeof window === 'undefined' ? useEffect : useLayoutEffect;

/** An element's inner width in px as it is now. @param before what is drawn for on the server, where nothing can be measured */
export function useWidth(element: RefObject<HTMLElement | null>, before: number): number {
  const [width, setWidth] = useState(before);
  useBrowserLayoutEffect(() => {
    const { current } = element;
    if (!current) return;
    setWidth(current.clientWidth);
    const observer = new ResizeObserver(() => setWidth(current.clientWidth));
    observer.observe(current);
    return () => observer.disconnect();
  }, [element]);
  return width;
}
