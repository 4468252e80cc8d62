import { useEffect, type ReactNode } from 'react';
import { Wordmark } from '../frame/Wordmark.tsx';

/** What stands alone on its page, before somebody is known. */
export function Bare({ title, children }: { title: string; children: ReactNode }) {
  // Says that the page answers now; what was drawn before was only a picture of it.
  useEffect(() => void (document.documentElement.dataset.live = 'true'), []);
  return (
    <main className="mx-auto flex min-h-dvh max-w-[26rem] flex-col px-5 pt-[14vh] pb-8">
      <Wordmark />
      <h1 className="mt-6 mb-2 text-head">{title}</h1>
      {children}
    </main>
  );
}
