import { ArrowRight } from 'lucide-react';

/** Stands between a value as it was and as it would be. */
export function Becomes() {
  return (
    <>
      {' '}
      <ArrowRight size={12} aria-hidden className="inline text-soft" />
      <span className="sr-only">becomes</span>{' '}
    </>
  );
}
