import { useEffect, useMemo, useRef, useState } from 'react';
import { setText } from '../../client/edits.ts';
import type { MessageArguments, MessageState } from '../../core/evaluation/evaluation.ts';
import type { Market } from '../../core/policy/types.ts';
import { formattedArguments, wordingArgumentNames, wordingArguments } from '../../core/wording/arguments.ts';
import { wordingFaults, type WordingFault } from '../../core/wording/faults.ts';
import { findText } from '../../core/wording/find-text.ts';
import type { TextPlace } from '../../core/wording/places.ts';
import { placesShowing } from '../../core/wording/policy-faults.ts';
import { renderText } from '../../core/wording/render.ts';
import { useDraft, usePolicy } from '../frame/page-context.tsx';

/** One text, edited in place: arguments offered, mistakes marked, and what it will say. */
export function TextField({ name, offerId, state, place, language, market, sample }: { name: string; offerId: string; state: MessageState; place: TextPlace; language: string; market: Market; sample: MessageArguments }) {
  const policy = usePolicy();
  const show = useDraft((draft) => draft.show);
  const edit = useDraft((draft) => draft.edit);
  const written = policy.wording[offerId]?.[state]?.[place]?.[language] ?? '';
  const [typing, setTyping] = useState<string | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const text = typing ?? written;

  const save = useRef<() => void>(() => {});
  save.current = () => {
    if (typing === null) return;
    edit(setText(offerId, state, place, language, typing));
    setTyping(null);
  };
  useEffect(() => {
    if (typing === null) return;
    const timer = setTimeout(() => save.current(), 700);
    return () => clearTimeout(timer);
  }, [typing]);
  useEffect(() => () => save.current(), []);

  const type = (next: string) => {
    setTyping(next);
    show(setText(offerId, state, place, language, next));
  };
  const insert = (argument: string) => {
    const { selectionStart: start, selectionEnd: end } = field.current!;
    type(`${text.slice(0, start)}{${argument}}${text.slice(end)}`);
    field.current!.focus();
  };

  const texts = policy.wording[offerId]?.[state];
  const faults = useMemo(
    () => wordingFaults(text, language, state, placesShowing(texts, place, language), market.currency),
    [text, language, state, place, texts, market.currency],
  );
  const said = text ? renderText(text, language, formattedArguments(sample, market.currency, language)) : null;
  const instead = text ? null : findText(policy, offerId, state, place === 'everyPlace' ? 'strip' : place, language, market.languages);
  const label = `${name}, ${language}, ${place === 'everyPlace' ? 'every place' : place}`;
  return (
    <div data-testid={`text-${state}`} onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && save.current()}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h3 className="font-sans text-[13px] font-semibold">{name}</h3>
        <div className="flex flex-wrap" role="group" aria-label={`Arguments for ${name}`}>
          {wordingArgumentNames
            .filter((argument) => state === 'progress' || argument !== 'remaining')
            .map((argument) => (
              <button key={argument} type="button" className="quiet-button px-1 text-[12px] text-primary" title={`Insert ${wordingArguments[argument].means}`} onClick={() => insert(argument)}>
                {`{${argument}}`}
              </button>
            ))}
        </div>
      </div>
      <div className="marked-text">
        <div className="behind" aria-hidden="true">
          <Marked text={text} faults={faults} />
        </div>
        <textarea
          ref={field}
          rows={2}
          value={text}
          lang={language}
          dir="auto"
          aria-label={label}
          data-own-undo={typing !== null}
          aria-invalid={faults.some((fault) => fault.severity === 'wrong')}
          maxLength={1000}
          onChange={(event) => type(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Escape' || typing === null) return;
            event.stopPropagation();
            setTyping(null);
            show(null);
          }}
        />
      </div>
      <div className="min-h-5 text-[13px]">
        {said !== null && faults.every((fault) => fault.severity !== 'wrong') && (
          <p className="text-soft">
            says “<span lang={language}>{said}</span>”
          </p>
        )}
        {instead && (
          <p className="text-soft">
            Nothing written here; {instead.inherited && instead.language === language ? 'that of every place is shown' : `${instead.language} is shown`}: “{instead.text}”
          </p>
        )}
        {!text && !instead && <p className="text-warning">Nothing is written, so shoppers read nothing.</p>}
        {faults.map((fault) => (
          <p key={fault.message} className={fault.severity === 'wrong' ? 'text-error' : 'text-warning'} role={fault.severity === 'wrong' ? 'alert' : undefined}>
            {fault.message}
          </p>
        ))}
      </div>
    </div>
  );
}

function Marked({ text, faults }: { text: string; faults: readonly WordingFault[] }) {
  const spots = faults.flatMap((fault) => (fault.at ? [fault.at] : [])).sort((a, b) => a.offset - b.offset);
  const parts: { text: string; marked: boolean }[] = [];
  let at = 0;
  for (const spot of spots) {
    if (spot.offset < at) continue;
    parts.push({ text: text.slice(at, spot.offset), marked: false }, { text: text.slice(spot.offset, spot.offset + spot.length) || ' ', marked: true });
    at = spot.offset + spot.length;
  }
  parts.push({ text: `${text.slice(at)} `, marked: false });
  return parts.map((part, index) => (part.marked ? <mark key={index}>{part.text}</mark> : <span key={index}>{part.text}</span>));
}
