import { Moon, Plug, Redo2, Search, Sun, Undo2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { Hint } from '../../ui/Hint.tsx';
import { Calm, useDraft, usePolicy } from '../page/draft-context.tsx';
import type { PagePerson } from '../../contract/page.ts';
import { DraftPhrase } from './DraftPhrase.tsx';
import { PersonMenu } from './PersonMenu.tsx';
import type { Place } from './trail.ts';
import { Trail } from './Trail.tsx';
import { Wordmark } from './Wordmark.tsx';

export function Header({
  stop,
  openPalette,
  night,
  toggleTheme,
  person,
}: {
  stop: Place;
  openPalette: () => void;
  night: boolean | null;
  toggleTheme: () => void;
  person: PagePerson;
}) {
  const policy = usePolicy();
  return (
    <header className="flex min-w-0 flex-wrap items-center gap-x-3 border-b border-hairline px-3 lg:flex-nowrap lg:gap-x-2 xl:gap-x-3">
      <a
        className="absolute -top-16 left-2 z-50 bg-primary px-2.5 py-1.5 text-primary-content focus:top-1.5"
        href="#workspace"
      >
        To the workspace
      </a>
      <a href="/offers" className="shrink-0" aria-label="Summant, to Offers">
        <Wordmark />
      </a>
      <span className="hidden min-w-0 max-w-32 truncate text-soft xl:block">{policy.store.name}</span>
      <nav
        aria-label="Trail"
        className="order-last min-w-0 basis-full overflow-x-auto [scrollbar-width:none] lg:order-none lg:flex-1 lg:basis-0"
      >
        <Calm>
          <Trail stop={stop} />
        </Calm>
      </nav>
      <DraftPhrase />
      <div className="flex shrink-0 items-center">
        <HistoryButtons />
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          onClick={openPalette}
          aria-label="Command palette, Ctrl K"
          aria-keyshortcuts="Control+K Meta+K"
        >
          <Search size={15} aria-hidden />
          <kbd className="kbd kbd-xs hidden xl:inline-flex">Ctrl K</kbd>
        </button>
        <Hint says="Connections">
          <a
            className="btn btn-ghost btn-xs"
            href="/connections"
            aria-label="Connections"
            aria-current={stop === 'connections' ? 'page' : undefined}
          >
            <Plug size={15} aria-hidden />
          </a>
        </Hint>
        <Hint says={night ? 'Use the day theme' : 'Use the night theme'}>
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            onClick={toggleTheme}
            aria-label={night ? 'Use the day theme' : 'Use the night theme'}
          >
            {night ? <Sun size={15} aria-hidden /> : <Moon size={15} aria-hidden />}
          </button>
        </Hint>
        <PersonMenu person={person} />
      </div>
    </header>
  );
}

function HistoryButtons() {
  const pending = useDraft((state) => state.pending.length > 0);
  const undo = useDraft((state) => state.saved.canUndo);
  const redo = useDraft((state) => state.saved.canRedo);
  return (
    <>
      <HistoryButton way="undo" name="Undo" what={undo} can={undo !== null || pending} keys="Control+Z Meta+Z">
        <Undo2 size={16} aria-hidden />
      </HistoryButton>
      <HistoryButton way="redo" name="Redo" what={redo} can={redo !== null} keys="Control+Shift+Z Meta+Shift+Z">
        <Redo2 size={16} aria-hidden />
      </HistoryButton>
    </>
  );
}

function HistoryButton({
  way,
  name,
  what,
  can,
  keys,
  children,
}: {
  way: 'undo' | 'redo';
  name: string;
  /** the edit that it is about, in words */
  what: string | null;
  can: boolean;
  keys: string;
  children: ReactNode;
}) {
  const step = useDraft((state) => state.step);
  return (
    <Hint says={what ? `${name} ${what}` : `Nothing to ${way}`}>
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        disabled={!can}
        onClick={() => step(way)}
        aria-label={name}
        aria-description={what ?? undefined}
        aria-keyshortcuts={keys}
      >
        {children}
      </button>
    </Hint>
  );
}
