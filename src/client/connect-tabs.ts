import type { Operation } from 'rfc6902';
import type { DraftStore } from './draft-store.ts';

const channelName = 'summant-draft';

/** What a page could not send, and the revision of the draft that it was made on. */
interface Unsent {
  edits: Operation[][];
  revision: number;
}

/** Tells other tabs of a change. */
export function announceRevision(revision: number): void {
  if (typeof BroadcastChannel === 'undefined') return;
  const channel = new BroadcastChannel(channelName);
  channel.postMessage(revision);
  channel.close();
}

/**
 * Keeps a store up to date with other tabs and other people: on word from a tab, and when the page is looked at
 * again. Edits that could not be sent yet, and what is just being typed, outlive a reload. @returns a function that ends it
 */
export function connectStore(store: DraftStore): () => void {
  const channel = new BroadcastChannel(channelName);
  const refresh = () => void store.getState().refresh();
  channel.onmessage = ({ data }) => {
    if (typeof data === 'number' && data > store.getState().saved.revision) refresh();
  };
  const onVisible = () => {
    if (document.visibilityState === 'visible') refresh();
  };
  document.addEventListener('visibilitychange', onVisible);
  window.addEventListener('focus', refresh);

  const key = 'summant-unsent';
  const kept = sessionStorage.getItem(key);
  if (kept) {
    sessionStorage.removeItem(key);
    const { edits, revision } = JSON.parse(kept) as Unsent;
    void store.getState().restore(edits, revision);
  }
  const keepUnsent = () => {
    const { pending, preview, collisions, saved } = store.getState();
    const edits = [...collisions.map(({ edit }) => edit), ...pending, ...(preview ? [preview] : [])];
    if (edits.length > 0)
      sessionStorage.setItem(
        key,
        JSON.stringify({ edits, revision: collisions.length > 0 ? 0 : saved.revision } satisfies Unsent),
      );
  };
  window.addEventListener('pagehide', keepUnsent);
  return () => {
    channel.close();
    document.removeEventListener('visibilitychange', onVisible);
    window.removeEventListener('focus', refresh);
    window.removeEventListener('pagehide', keepUnsent);
  };
}
