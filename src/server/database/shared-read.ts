/** Readings of one kind under way at once. */
const mostUnderWay = 3;

/**
 * One reading for all who ask at about the same time, so that what many ask for costs little. A reading begins at the end of the
 * turn in which it was asked for, or when one of those under way has ended; whoever asks after it began waits for the next: what
 * is read is never older than the question. @param read may fail, for all who share it
 */
export function sharedRead<T>(read: () => Promise<T>): () => Promise<T> {
  let underWay = 0;
  let waiting: { answer: Promise<T>; go: () => void } | null = null;
  const begin = () => {
    if (waiting === null || underWay >= mostUnderWay) return;
    const { go } = waiting;
    waiting = null;
    underWay++;
    go();
  };
  const ended = () => {
    underWay--;
    begin();
  };
  return () => {
    if (waiting) return waiting.answer;
    let go: () => void = () => undefined;
    const answer = new Promise<void>((resolve) => (go = resolve)).then(read);
    answer.then(ended, ended);
    waiting = { answer, go };
    setImmediate(begin);
    return answer;
  };
}

/**
 * One reading for the things that several ask for at about the same time, as above.
 *
 * @param read of several by their keys, each once; what it does not find is left out
 */
export function sharedLookup<K, V>(
  read: (keys: readonly K[]) => Promise<ReadonlyMap<K, V>>,
): (keys: readonly K[]) => Promise<ReadonlyMap<K, V>> {
  let wanted = new Set<K>();
  const readWanted = sharedRead(() => {
    const keys = [...wanted];
    wanted = new Set();
    return read(keys);
  });
  return (keys) => {
    for (const key of keys) wanted.add(key);
    return readWanted();
  };
}
