import { Suspense, useEffect, useRef, useState, type ReactNode } from 'react';

/** Draws what is expensive once it comes into view; its place is kept from the start, so that nothing moves when it does. */
export function WhenSeen({ height, label, children }: { height: number; label: string; children: () => ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const { current } = place;
    if (!current) return;
    const observer = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      setSeen(true);
      observer.disconnect();
    });
    observer.observe(current);
    return () => observer.disconnect();
  }, []);
  // An attribute of a picture keeps the place: the security policy takes no style from the server’s page.
  const waiting = (
    <svg width="100%" height={height} className="block bg-base-200" role="img" aria-label={`Drawing ${label}`} />
  );
  return <div ref={place}>{seen ? <Suspense fallback={waiting}>{children()}</Suspense> : waiting}</div>;
}
