import { lazy, Suspense } from 'react';
import type GenericFoundList from './FoundList.tsx';
import type { SearchListProps } from './FoundList.tsx';

const FoundList = lazy(() => import('./FoundList.tsx')) as unknown as typeof GenericFoundList;

/** A list that is searched by typing; arrows and Enter work from the field. Its script is fetched when one is first opened. */
export function SearchList<T>(props: SearchListProps<T>) {
  return (
    <Suspense fallback={<span className="block h-24 w-80 max-w-full" />}>
      <FoundList {...props} />
    </Suspense>
  );
}
