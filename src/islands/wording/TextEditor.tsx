import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { dropUnfinished, setText } from '../../client/edits/text-edits.ts';
import type { FoundText } from '../../core/wording/find-text.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import { faultsAt, subjectOf } from '../../core/wording/policy-faults.ts';
import { textAt, unfinishedText, type TextAddress } from '../../core/wording/text-address.ts';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { begunAt, completionsOf, type Completion } from './completions.ts';
import { MarkedText } from './MarkedText.tsx';

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
  rows = 2,
  focused = false,
}: {
  address: TextAddress;
  label: string;
  inherited: FoundText | null;
  rows?: number;
  focused?: boolean;
}) {
  const policy = usePolicy();
  const show = useDraft((draft) => draft.show);
  const edit = useEdit();
  const [typing, setTyping] = useState<string | null>(null);
  const [caret, setCaret] = useState<number | null>(null);
  const [at, setAt] = useState(0);
  const field = useRef<HTMLTextAreaElement>(null);
  const listId = useId();
  const good = textAt(policy, address) ?? '';
  const unfinished = unfinishedText(policy, address);
  const text = typing ?? unfinished ?? good;
  const offer = policy.offers[address.offerId]!;
  const { language } = address;

  // What stood here when it was gone into: Escape takes back all that was done since, whether or not it has been saved.
  const found = useRef(text);
  useEffect(() => {
    if (focused) field.current?.focus();
  }, [focused]);

  const save = useRef<() => void>(() => {});
  useEffect(() => {
    save.current = () => {
      if (typing === null) return;
      edit(setText(address, typing));
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
  const begun = caret === null ? null : begunAt(text, caret);
  const offered = useMemo(() => {
    if (!begun) return [];
    const { measure, without } = subjectOf(offer);
    return completionsOf(measure, without, language).filter(({ id }) =>
      id.toLowerCase().startsWith(begun.typed.toLowerCase()),
    );
  }, [begun, offer, language]);
  const chosen = offered[Math.min(at, offered.length - 1)];

  const type = (next: string, position: number) => {
    setTyping(next);
    setCaret(position);
    setAt(0);
    show(setText(address, next));
  };
  const put = (completion: Completion, from: number, to: number) => {
    const next = `${text.slice(0, from)}${completion.text}${text.slice(to)}`;
    type(next, from + completion.caret);
    setCaret(null);
    requestAnimationFrame(() => {
      field.current?.focus();
      field.current?.setSelectionRange(from + completion.caret, from + completion.caret);
    });
  };
  const onKeyDown = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    if (begun && chosen) {
      const by = Number(event.key === 'ArrowDown') - Number(event.key === 'ArrowUp');
      if (by !== 0) setAt((offered.indexOf(chosen) + by + offered.length) % offered.length);
      else if (event.key === 'Enter' || event.key === 'Tab') {
        const closing = /^[A-Za-z]*\}/.exec(text.slice(caret!))?.[0].length ?? 0;
        put(chosen, begun.from, caret! + closing);
      } else if (event.key === 'Escape') setCaret(null);
      else return;
      event.preventDefault();
      event.stopPropagation();
    } else if (event.key === 'Escape' && text !== found.current) {
      event.stopPropagation();
      setTyping(null);
      show(null);
      if ((unfinished ?? good) !== found.current) edit(setText(address, found.current));
    }
  };
  const goTo = (offset: number, length: number) => {
    field.current?.focus();
    field.current?.setSelectionRange(offset, offset + length);
  };
  const { state } = address;
  return (
    <div
      data-testid={`text-${state}`}
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && (setCaret(null), save.current())}
    >
      <div className="marked-text" lang={language} data-inherits={text === '' && inherited !== null}>
        <div className="behind" aria-hidden="true" dir={directionOf(language)}>
          <MarkedText text={text} faults={faults} />
        </div>
        <textarea
          ref={field}
          rows={rows}
          value={text}
          lang={language}
          dir={directionOf(language)}
          placeholder={inherited?.text ?? 'nothing is said'}
          aria-label={label}
          aria-invalid={breaks}
          aria-autocomplete="list"
          aria-controls={chosen ? listId : undefined}
          aria-activedescendant={chosen ? `${listId}-${chosen.id.replace(' ', '-')}` : undefined}
          data-own-undo={typing !== null}
          onFocus={() => (found.current = text)}
          maxLength={1000}
          onChange={(event) => type(event.target.value, event.target.selectionStart)}
          onKeyDown={onKeyDown}
          onClick={(event) => setCaret(event.currentTarget.selectionStart)}
        />
      </div>
      {begun && chosen && (
        <ul id={listId} className="completions" role="listbox" aria-label="What can stand here">
          {offered.map((completion) => (
            <li
              key={completion.id}
              id={`${listId}-${completion.id.replace(' ', '-')}`}
              role="option"
              aria-selected={completion === chosen}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => put(completion, begun.from, caret!)}
            >
              <span className="text-primary">{`{${completion.id}}`}</span>{' '}
              <span className="text-soft">{completion.means}</span>
            </li>
          ))}
        </ul>
      )}
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
                onClick={() => goTo(fault.at!.offset, fault.at!.length)}
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
                Shoppers go on reading “<span lang={language}>{good}</span>”.
              </>
            ) : (
              `Shoppers read ${inherited ? 'what is inherited' : 'nothing here'}.`
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
