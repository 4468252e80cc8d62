import { useEffect, useLayoutEffect, useRef, useState, type Ref } from 'react';
import type { EditorHandlers, EditorSetting, TextFieldEditor } from './editor.ts';
import { insist } from '../../../ui/lazy-part.tsx';
import type { Mark } from './marks.ts';

const loadEditor = () => import('./editor.ts');

export interface TextFieldHandle {
  focus: (stretch?: { from: number; to: number }) => void;
}

/**
 * A text with its arguments as chips and its mistakes underlined. The editor is fetched once the field is on a page; until
 * then its text stands in its place, and who goes there has it as soon as it has come.
 */
export function TextField({
  text,
  marks,
  setting,
  handlers,
  focused,
  handle,
}: {
  text: string;
  marks: readonly Mark[];
  setting: EditorSetting;
  handlers: EditorHandlers;
  /** typing goes here as soon as it is there */
  focused: boolean;
  handle: Ref<TextFieldHandle>;
}) {
  const host = useRef<HTMLDivElement>(null);
  const editor = useRef<TextFieldEditor | null>(null);
  const wantsFocus = useRef(focused);
  const now = useRef({ text, marks, setting, handlers });
  useLayoutEffect(() => {
    now.current = { text, marks, setting, handlers };
  });
  const [ownUndo, setOwnUndo] = useState(false);
  const [missing, setMissing] = useState(false);
  const { label, language, direction, inherited, breaks } = setting;
  useEffect(() => {
    let gone = false;
    const begin = ({ createEditor }: Awaited<ReturnType<typeof loadEditor>>) => {
      const { current } = host;
      if (gone || !current) return;
      // A host keeps its shadow root when a strict mode or a hot reload draws it a second time.
      const root = current.shadowRoot ?? current.attachShadow({ mode: 'open' });
      const { text: first, marks: firstMarks, setting: named } = now.current;
      editor.current = createEditor(root, first, firstMarks, named, {
        typed: (typed) => {
          setOwnUndo(editor.current?.hasHistory() ?? false);
          now.current.handlers.typed(typed);
        },
        focused: (stands) => now.current.handlers.focused(stands),
        escape: (stands) => now.current.handlers.escape(stands),
        completions: () => now.current.handlers.completions(),
      });
      if (wantsFocus.current) editor.current.focus();
    };
    insist(loadEditor).then(begin, () => !gone && setMissing(true));
    return () => {
      gone = true;
      editor.current?.destroy();
      editor.current = null;
    };
  }, []);
  useEffect(() => editor.current?.setText(text, marks), [text, marks]);
  useEffect(
    () => editor.current?.set({ label, language, direction, inherited, breaks }),
    [label, language, direction, inherited, breaks],
  );
  useEffect(() => {
    const focus = (stretch?: { from: number; to: number }) => {
      wantsFocus.current = true;
      editor.current?.focus(stretch);
    };
    if (typeof handle === 'function') handle({ focus });
    else if (handle) handle.current = { focus };
  }, [handle]);
  return (
    <div
      ref={host}
      className="min-h-[62px]"
      lang={language}
      dir={direction}
      data-typing
      data-own-undo={ownUndo}
      onPointerDown={() => (wantsFocus.current = true)}
    >
      <div
        className={`min-h-[62px] rounded-field border border-hairline px-1.5 py-[5px] leading-[1.45] ${text === '' ? 'text-soft italic' : ''}`}
      >
        {text || inherited}
      </div>
      {missing && (
        <p role="alert" className="text-fine text-error">
          What this text is edited with could not be loaded. Reload the page; nothing is lost.
        </p>
      )}
    </div>
  );
}
