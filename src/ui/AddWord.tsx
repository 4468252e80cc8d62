import { useState } from 'react';

/** A word typed to be added to a list, by Enter. @param accept whether it can be, or what is meant by it (null: nothing) */
export function AddWord({
  label,
  placeholder,
  accept,
  reason,
  add,
}: {
  label: string;
  placeholder: string;
  accept: (text: string) => boolean | string | null;
  reason: string;
  add: (text: string) => void;
}) {
  const [text, setText] = useState('');
  const meant = text === '' ? null : accept(text.trim());
  const wrong = text !== '' && (meant === null || meant === false);
  return (
    <span className="mr-3 inline-flex flex-col">
      <input
        className="field"
        aria-label={label}
        aria-invalid={wrong}
        placeholder={placeholder}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || text.trim() === '') return;
          // It adds the word, and does not send the form that it stands in.
          event.preventDefault();
          if (wrong) return;
          add(typeof meant === 'string' ? meant : text.trim());
          setText('');
        }}
      />
      {wrong && <span className="text-fine text-soft">{reason}</span>}
    </span>
  );
}
