import { useEffect, useMemo, useRef, useState } from 'react';
import { dropUnfinished, setText } from '../../client/edits/text-edits.ts';
import type { TextState } from '../../core/offers/texts-written.ts';
import type { FoundText } from '../../core/wording/find-text.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import { isOutside } from '../../core/wording/outside/outside-states.ts';
import { faultsAt, subjectOf } from '../../core/wording/policy-faults.ts';
import { textAt, unfinishedText, type TextAddress } from '../../core/wording/text-address.ts';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { completionsOf } from './completions.ts';
import { marksOf } from './text-field/marks.ts';
import { TextField, type TextFieldHandle } from './text-field/TextField.tsx';

const pause = 700;

/**
 * One text, typed as plain text with its arguments shown as chips. A brace offers what can stand there; a mistake is explained
 * and shown where it is, and as long as the text cannot be shown shoppers read the last good one.
 *
 * @param inherited what is shown as long as nothing stands here
 * @param focused typing goes here as soon as it is there
 */
export function TextEditor({
  address,
  label,
  inherited,
  focused = false,
}: {
  address: TextAddress;
  label: string;
  inherited: FoundText | null;
  focused?: boolean;
}) {
  const policy = usePolicy();
  const show = useDraft((draft) => draft.show);
  const edit = useEdit();
  const [typing, setTyping] = useState<string | null>(null);
  const field = useRef<TextFieldHandle>(null);
  const good = textAt(policy, address) ?? '';
  const unfinished = unfinishedText(policy, address);
  const text = typing ?? unfinished ?? good;
  const { language } = address;

  // What stood here when it was gone into: Escape takes back all that was done since, whether or not it has been saved.
  const found = useRef(text);
  const savedSince = useRef(false);
  // What is typed and not saved, known at once: the timer can come between leaving and the page's drawing anew.
  const unsaved = useRef<string | null>(null);
  const save = useRef<() => void>(() => {});
  useEffect(() => {
    save.current = () => {
      if (unsaved.current === null) return;
      const next = unsaved.current;
      unsaved.current = null;
      savedSince.current = true;
      edit(setText(address, next));
      setTyping(null);
    };
  });
  useEffect(() => {
    if (typing === null) return;
    const timer = setTimeout(() => save.current(), pause);
    return () => clearTimeout(timer);
  }, [typing]);
  useEffect(() => () => save.current(), []);

  const faults = useMemo(() => faultsAt(policy, address, text), [policy, address, text]);
  const breaks = faults.some((fault) => fault.breaks);
  const marks = useMemo(() => marksOf(text, faults), [text, faults]);
  const handlers = {
    typed: (next: string) => {
      unsaved.current = next;
      setTyping(next);
      show(setText(address, next));
    },
    focused: (stands: string) => {
      found.current = stands;
      savedSince.current = false;
    },
    escape: (stands: string) => {
      if (stands === found.current) return false;
      unsaved.current = null;
      setTyping(null);
      show(null);
      if (savedSince.current) edit(setText(address, found.current));
      savedSince.current = false;
      return true;
    },
    completions: () => {
      const { measure, without } = subjectOf(policy, address.speakerId, address.state)!;
      return completionsOf(measure, without, language);
    },
  };
  const { state } = address;
  return (
    <div
      data-testid={`text-${state}`}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && save.current()}
    >
      <TextField
        text={text}
        marks={marks}
        setting={{
          label,
          language,
          direction: directionOf(language),
          inherited: inherited?.text ?? (isOutside(address.state) ? 'nothing is written' : 'nothing is said'),
          breaks,
        }}
        handlers={handlers}
        focused={focused}
        handle={field}
      />
      <div className="text-fine">
        {faults.map((fault) => (
          <p
            key={fault.message}
            className={fault.severity === 'wrong' ? 'text-error' : 'text-warning'}
            role={fault.breaks ? 'alert' : undefined}
          >
            {fault.at && (
              <button
                type="button"
                className="link link-primary"
                onClick={() =>
                  field.current?.focus({ from: fault.at!.offset, to: fault.at!.offset + fault.at!.length })
                }
              >
                at {fault.at.offset + 1}
              </button>
            )}{' '}
            {fault.message}
          </p>
        ))}
        {breaks && (
          <p className="text-soft">
            {good ? (
              <>
                {isOutside(state) ? 'To be copied stays' : 'Shoppers go on reading'} “
                <span lang={language}>{good}</span>”.
              </>
            ) : (
              instead(state, inherited !== null)
            )}
          </p>
        )}
        {unfinished !== undefined && typing === null && (
          <button type="button" className="btn btn-xs" onClick={() => edit(dropUnfinished(address))}>
            Give it up
          </button>
        )}
      </div>
    </div>
  );
}

/** What is read while a text cannot be shown and there was none before. */
function instead(state: TextState, inherits: boolean): string {
  if (isOutside(state)) return 'There is nothing to copy.';
  return `Shoppers read ${inherits ? 'what is inherited' : 'nothing here'}.`;
}
