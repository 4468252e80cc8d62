import type { DraftStore } from './draft-store.ts';
import type { Unsent } from './draft-state.ts';

const channelName = 'summant-draft';
const unsentKey = 'summant-unsent';

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
  const refresh = () => store.getState().refresh();
  channel.onmessage = ({ data }) => {
    if (typeof data === 'number') store.getState().refresh(data);
  };
  const onVisible = () => {
    if (document.visibilityState === 'visible') refresh();
  };
  const keep = () => keepUnsent(store, sessionStorage);
  document.addEventListener('visibilitychange', onVisible);
  window.addEventListener('focus', refresh);
  window.addEventListener('pagehide', keep);
  takeUnsent(store, sessionStorage);
  return () => {
    channel.close();
    document.removeEventListener('visibilitychange', onVisible);
    window.removeEventListener('focus', refresh);
    window.removeEventListener('pagehide', keep);
  };
}

/** Keeps what a page could not send for the next page of the same tab. */
export function keepUnsent(store: DraftStore, storage: Pick<Storage, 'setItem'>): void {
  const unsent = store.getState().unsent();
  if (unsent) storage.setItem(unsentKey, JSON.stringify(unsent));
}

/** Takes up what an earlier page of the tab has kept; what cannot be read any more is left. */
export function takeUnsent(store: DraftStore, storage: Pick<Storage, 'getItem' | 'removeItem'>): void {
  const kept = storage.getItem(unsentKey);
  if (kept === null) return;
  storage.removeItem(unsentKey);
  const unsent = readUnsent(kept);
  if (unsent) store.getState().restore(unsent);
}

function readUnsent(text: string): Unsent | null {
  try {
    const { edits, revision, perhapsThere } = JSON.parse(text) as Partial<Unsent>;
    if (!Array.isArray(edits) || !edits.every(Array.isArray)) return null;
    return {
      edits,
      revision: typeof revision === 'number' ? revision : null,
      perhapsThere: Array.isArray(perhapsThere) ? perhapsThere : null,
    };
  } catch {
    return null;
  }
}
