import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Bench } from '../bench/Bench.tsx';
import type { Command } from './command.ts';
import { Header } from './Header.tsx';
import { Notices } from './Notices.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { PageProvider } from '../page/page-context.tsx';
import type { PageProps, ThemeChoice } from '../../contract/page.ts';
import { PartsLine } from './PartsLine.tsx';
import { Palette } from './Palette.tsx';
import { remember } from './remember.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { Together } from '../together/together-context.tsx';
import { Unbroken } from './Unbroken.tsx';
import type { Place } from './trail.ts';

const Shortcuts = lazyPart(() => import('./Shortcuts.tsx'), null);

/** Header, workspace and bench around a stop. */
export function Frame({ stop, props, children }: { stop: Place; props: PageProps; children: ReactNode }) {
  return (
    <PageProvider props={props}>
      <Together place={stop}>
        <FrameInside stop={stop} props={props}>
          {children}
        </FrameInside>
      </Together>
    </PageProvider>
  );
}

function FrameInside({ stop, props, children }: { stop: Place; props: PageProps; children: ReactNode }) {
  const [folded, setFolded] = useState(props.benchFolded);
  const [open, setOpen] = useState<'palette' | 'shortcuts' | null>(null);
  const { night, toggleTheme } = useTheme(props.theme);
  const step = useDraft((state) => state.step);
  const close = useCallback(() => setOpen(null), []);
  const fold = useCallback(() => {
    remember('summant-bench', folded ? 'open' : 'folded');
    setFolded(!folded);
  }, [folded]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, dialog, [data-typing]') !== null;
      const ownUndo =
        event.target instanceof HTMLElement && event.target.closest('dialog, [data-own-undo=true]') !== null;
      const control = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      if (control && key === 'k') setOpen('palette');
      else if (control && key === 'z' && !ownUndo) step(event.shiftKey ? 'redo' : 'undo');
      else if (event.key === '?' && !typing) setOpen('shortcuts');
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    // Says that the page answers now; what was drawn before was only a picture of it.
    document.documentElement.dataset.live = 'true';
    return () => window.removeEventListener('keydown', onKey);
  }, [step]);

  const actions = useMemo<Command[]>(
    () => [
      { group: 'Do', name: 'Undo', hint: 'Ctrl Z', also: 'take back', value: () => step('undo') },
      { group: 'Do', name: 'Redo', hint: 'Ctrl Shift Z', value: () => step('redo') },
      { group: 'Do', name: folded ? 'Unfold the bench' : 'Fold the bench', value: fold },
      {
        group: 'Do',
        name: night ? 'Use the day theme' : 'Use the night theme',
        also: 'dark light',
        value: toggleTheme,
      },
      { group: 'Do', name: 'List the keys', hint: '?', also: 'shortcuts help', value: () => setOpen('shortcuts') },
    ],
    [step, folded, fold, night, toggleTheme],
  );

  return (
    <div className="frame" data-bench={folded ? 'folded' : 'open'}>
      <Header
        stop={stop}
        openPalette={() => setOpen('palette')}
        night={night}
        toggleTheme={toggleTheme}
        person={props.person}
      />
      <PartsLine stop={stop} />
      <main id="workspace" tabIndex={-1} className="outline-none">
        <Notices />
        <Unbroken name="This stop">{children}</Unbroken>
      </main>
      <Unbroken name="The bench">
        <Bench folded={folded} fold={fold} />
      </Unbroken>
      <Palette open={open === 'palette'} close={close} actions={actions} />
      {open === 'shortcuts' && <Shortcuts close={close} />}
    </div>
  );
}

/** The chosen theme; without a choice the system's holds, which is known only in the browser. */
function useTheme(initial: ThemeChoice) {
  const [theme, setTheme] = useState<ThemeChoice>(initial);
  const [systemNight, setSystemNight] = useState<boolean | null>(null);
  useEffect(() => setSystemNight(window.matchMedia('(prefers-color-scheme: dark)').matches), []);
  const night = theme ? theme === 'summant-night' : systemNight;
  const toggleTheme = useCallback(() => {
    const next = night ? 'summant-day' : 'summant-night';
    document.documentElement.dataset.theme = next;
    remember('summant-theme', next);
    setTheme(next);
  }, [night]);
  return { night, toggleTheme };
}
