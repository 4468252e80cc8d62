import { Suspense, useEffect, useRef, useState, type ReactNode } from 'react';

/**
 * Draws what is expensive once it comes into view. Its place is kept from the start, and stays as high when what comes is lower: a
 * page that is looked at from its end would move under the hand.
 */
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
  return (
    <div ref={place} style={seen ? { minHeight: height } : undefined}>
      {seen ? <Suspense fallback={waiting}>{children()}</Suspense> : waiting}
    </div>
  );
}
