import { useEffect, useRef, useState } from 'react';

export type Parsed<T> = { ok: true; value: T } | { ok: false; reason: string };

/**
 * A figure typed in place. It applies while being typed as soon as it makes sense; what does not is kept in the field
 * with the reason, and Escape brings the old value back.
 */
export function TypedField<T>({
  label,
  shown,
  parse,
  show,
  commit,
  align = 'right',
  placeholder,
  testId,
}: {
  label: string;
  /** the value as text */
  shown: string;
  parse: (text: string) => Parsed<T>;
  /** called at each sensible keystroke, without saving; undefined ends it */
  show: (value: T | undefined) => void;
  commit: (value: T) => void;
  align?: 'left' | 'right';
  /** what an empty field means */
  placeholder?: string | undefined;
  testId?: string | undefined;
}) {
  const [text, setText] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const leaving = useRef(false);
  useEffect(() => {
    if (document.activeElement !== field.current) setText(null);
  }, [shown]);
  const parsed = text === null ? null : parse(text);
  const wrong = parsed && !parsed.ok ? parsed.reason : null;

  const finish = () => {
    if (leaving.current || text === null) return;
    if (parsed?.ok) {
      commit(parsed.value);
      setText(null);
    }
  };
  return (
    <span className="inline-flex max-w-full flex-col">
      <input
        ref={field}
        className={`field ${align === 'right' ? '[td_&]:text-right' : 'text-start'}`}
        size={Math.max(3, (text ?? shown).length)}
        placeholder={placeholder}
        value={text ?? shown}
        inputMode="decimal"
        autoComplete="off"
        spellCheck={false}
        aria-label={label}
        data-own-undo={text !== null}
        aria-invalid={wrong !== null}
        data-testid={testId}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          const next = parse(event.target.value);
          show(next.ok ? next.value : undefined);
        }}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key === 'Enter') finish();
          if (event.key === 'Escape' && text !== null) {
            event.stopPropagation();
            leaving.current = true;
            setText(null);
            show(undefined);
            field.current?.blur();
            leaving.current = false;
          }
        }}
      />
      {wrong && (
        <span role="alert" className="text-fine text-error">
          {wrong}
        </span>
      )}
    </span>
  );
}
