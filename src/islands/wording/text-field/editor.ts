import {
  acceptCompletion,
  autocompletion,
  completionKeymap,
  completionStatus,
  type CompletionSource,
} from '@codemirror/autocomplete';
import { history, historyKeymap, redoDepth, standardKeymap, undoDepth } from '@codemirror/commands';
import { Compartment, EditorState, StateEffect, StateField, Transaction, type Range } from '@codemirror/state';
import { Decoration, EditorView, keymap, placeholder, type DecorationSet } from '@codemirror/view';
import type { Completion } from '../completions.ts';
import { looks } from './looks.ts';
import type { Mark } from './marks.ts';

/** What the page around the field is told. */
export interface EditorHandlers {
  /** of what was typed, put in or taken back by the field itself */
  typed: (text: string) => void;
  /** @param stands the text that was gone into */
  focused: (stands: string) => void;
  /**
   * @param stands the text that is left
   * @returns whether there was something to leave
   */
  escape: (stands: string) => boolean;
  /** what can be put in after a brace */
  completions: () => readonly Completion[];
}

/** How the field is named and read. */
export interface EditorSetting {
  label: string;
  language: string;
  direction: 'ltr' | 'rtl';
  /** what is read as long as nothing stands there */
  inherited: string;
  breaks: boolean;
}

/** The field as the page holds it. */
export interface TextFieldEditor {
  set: (setting: EditorSetting) => void;
  /** the text from elsewhere: no step that the field takes back */
  setText: (text: string, marks: readonly Mark[]) => void;
  /** @param stretch what is to be chosen */
  focus: (stretch?: { from: number; to: number }) => void;
  /** whether its own undo has anything to take back or to do again */
  hasHistory: () => boolean;
  destroy: () => void;
}

const mostLetters = 1000;
const setMarks = StateEffect.define<readonly Mark[]>();
const chip = Decoration.mark({ class: 'chip' });
const mistake = Decoration.mark({ class: 'mistake' });

const marksField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update: (decorations, transaction) => {
    let next = decorations.map(transaction.changes);
    for (const effect of transaction.effects) {
      if (!effect.is(setMarks)) continue;
      const { length } = transaction.newDoc;
      const ranges = effect.value.flatMap(({ from, to, mark }): Range<Decoration>[] =>
        from < Math.min(to, length) ? [(mark === 'chip' ? chip : mistake).range(from, Math.min(to, length))] : [],
      );
      next = Decoration.set(ranges, true);
    }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field),
});

const attributesOf = ({ label, language, direction, breaks }: EditorSetting) =>
  EditorView.contentAttributes.of({
    'aria-label': label,
    'aria-invalid': String(breaks),
    lang: language,
    dir: direction,
    spellcheck: 'true',
  });

/** Everything that can follow an open brace; what is typed of a name already is replaced, with its closing brace. */
const completing =
  ({ completions }: EditorHandlers): CompletionSource =>
  (context) => {
    const begun = context.matchBefore(/\{[A-Za-z]*/);
    if (!begun) return null;
    return {
      from: begun.from,
      validFor: /^\{[A-Za-z]*$/,
      options: completions().map(({ id, text, means, caret }, index) => ({
        label: `{${id}}`,
        detail: means,
        boost: -index,
        apply: (view, _, from, to) => {
          const closing = /^[A-Za-z]*\}/.exec(view.state.sliceDoc(to, to + 40))?.[0].length ?? 0;
          view.dispatch({
            changes: { from, to: to + closing, insert: text },
            selection: { anchor: from + caret },
            userEvent: 'input.complete',
          });
        },
      })),
    };
  };

/** What is chosen in the field. The state hears of it a moment later than the browser knows. */
function chosenIn(view: EditorView): { from: number; to: number } {
  const root = view.root as Document | (ShadowRoot & { getSelection?: () => Selection | null });
  const selection = root.getSelection?.();
  const { anchorNode, focusNode } = selection ?? {};
  if (!selection || !anchorNode || !focusNode) return view.state.selection.main;
  if (!view.contentDOM.contains(anchorNode) || !view.contentDOM.contains(focusNode)) return view.state.selection.main;
  const ends = [view.posAtDOM(anchorNode, selection.anchorOffset), view.posAtDOM(focusNode, selection.focusOffset)];
  return { from: Math.min(...ends), to: Math.max(...ends) };
}

/** Typed text goes in through the state: the browser would carry the look of what it replaces into styles within the page, which the security policy refuses. */
const typing = EditorView.domEventHandlers({
  beforeinput: (event, view) => {
    if (event.inputType !== 'insertText' || !event.data || view.composing) return false;
    const { from, to } = chosenIn(view);
    view.dispatch({
      changes: { from, to, insert: event.data },
      selection: { anchor: from + event.data.length },
      userEvent: 'input.type',
      scrollIntoView: true,
    });
    event.preventDefault();
    return true;
  },
});

/** Makes a text field in a shadow root, whose style sheets are its own: the page's security policy stays as strict as it is. */
export function createEditor(
  root: ShadowRoot,
  text: string,
  marks: readonly Mark[],
  setting: EditorSetting,
  handlers: EditorHandlers,
): TextFieldEditor {
  const attributes = new Compartment();
  const shown = new Compartment();
  const view = new EditorView({
    root,
    parent: root,
    state: EditorState.create({
      doc: text,
      extensions: [
        history(),
        EditorView.lineWrapping,
        looks,
        typing,
        marksField,
        attributes.of(attributesOf(setting)),
        shown.of(placeholder(setting.inherited)),
        autocompletion({
          override: [completing(handlers)],
          icons: false,
          activateOnTypingDelay: 0,
          interactionDelay: 0,
        }),
        EditorState.changeFilter.of(({ newDoc }) => newDoc.length <= mostLetters),
        keymap.of([
          { key: 'Tab', run: acceptCompletion },
          // Suggestions that are only being looked for are nothing that Escape has to close first.
          {
            key: 'Escape',
            run: (view) => completionStatus(view.state) !== 'active' && handlers.escape(view.state.doc.toString()),
          },
          ...completionKeymap,
          ...historyKeymap,
          ...standardKeymap,
        ]),
        EditorView.updateListener.of((update) => {
          if (update.focusChanged && update.view.hasFocus) handlers.focused(update.startState.doc.toString());
          const own = update.transactions.some(
            (transaction) => transaction.docChanged && transaction.annotation(Transaction.addToHistory) !== false,
          );
          // The page draws in answer, and may not touch the editor while it is at this update itself.
          if (own) queueMicrotask(() => handlers.typed(update.state.doc.toString()));
        }),
      ],
    }),
  });
  view.dispatch({ effects: setMarks.of(marks) });
  return {
    set: (next) =>
      view.dispatch({
        effects: [attributes.reconfigure(attributesOf(next)), shown.reconfigure(placeholder(next.inherited))],
      }),
    setText: (next, nextMarks) =>
      view.dispatch({
        ...(next === view.state.doc.toString()
          ? {}
          : {
              changes: { from: 0, to: view.state.doc.length, insert: next },
              annotations: Transaction.addToHistory.of(false),
            }),
        effects: setMarks.of(nextMarks),
      }),
    focus: (stretch) => {
      view.focus();
      const end = view.state.doc.length;
      view.dispatch({
        selection: { anchor: Math.min(stretch?.from ?? end, end), head: Math.min(stretch?.to ?? end, end) },
        scrollIntoView: true,
      });
    },
    hasHistory: () => undoDepth(view.state) + redoDepth(view.state) > 0,
    destroy: () => view.destroy(),
  };
}
