import { Suspense, useState } from 'react';
import { AheadField, nothingTyped } from './AheadField.tsx';
import type GenericFoundList from './FoundList.tsx';
import type { SearchListProps } from './FoundList.tsx';
import { lazyPart } from './lazy-part.tsx';

const FoundList = lazyPart(() => import('./FoundList.tsx')) as unknown as typeof GenericFoundList;

/** A list that is searched by typing; arrows and Enter work from the field. Its script is fetched when one is first opened. */
export function SearchList<T>(props: Omit<SearchListProps<T>, 'typed' | 'wide'>) {
  const { label, placeholder } = props;
  const [typed, setTyped] = useState(nothingTyped);
  return (
    <Suspense fallback={<AheadField label={label} placeholder={placeholder} typed={typed} change={setTyped} />}>
      <FoundList {...props} typed={typed} />
    </Suspense>
  );
}
