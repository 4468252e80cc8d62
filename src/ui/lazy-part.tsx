import { lazy, Suspense, useSyncExternalStore, type ComponentType, type ReactNode } from 'react';

/** Pauses before a part that did not come is asked for again, ms: a server that is being restarted is back by then. */
const pauses = [500, 1000, 2000, 4000, 8000];

/** What is asked for, again and again for a while. @throws what the last try threw */
export async function insist<T>(load: () => Promise<T>, tried = 0): Promise<T> {
  try {
    return await load();
  } catch (error) {
    const pause = pauses[tried];
    if (pause === undefined) throw error;
    await new Promise((resolve) => setTimeout(resolve, pause));
    return insist(load, tried + 1);
  }
}

const never = () => () => {};

/**
 * A part of the page whose script is fetched when it is first drawn; one that does not come is asked for again for a while.
 * The server draws none: it would have to send scripts within the page, which the security policy refuses.
 *
 * @param waiting what stands there until it has come; a `Suspense` around it says so where this is left out
 */
export function lazyPart<Props extends object>(
  load: () => Promise<{ default: ComponentType<Props> }>,
  waiting?: ReactNode,
): ComponentType<Props> {
  const Part = lazy(() => insist(load)) as unknown as ComponentType<Props>;
  return function LazyPart(props: Props) {
    const alive = useSyncExternalStore(
      never,
      () => true,
      () => false,
    );
    if (!alive) return waiting ?? null;
    return waiting === undefined ? (
      <Part {...props} />
    ) : (
      <Suspense fallback={waiting}>
        <Part {...props} />
      </Suspense>
    );
  };
}
