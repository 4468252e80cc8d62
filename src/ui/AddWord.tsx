import { useState } from 'react';

/** A word typed to be added to a list, by Enter. */
export function AddWord({ label, placeholder, accept, reason, add }: { label: string; placeholder: string; accept: (text: string) => boolean; reason: string; add: (text: string) => void }) {
  const [text, setText] = useState('');
  const wrong = text !== '' && !accept(text.trim());
  return (
    <span className="mr-3 inline-flex flex-col">
      <input
        className="typed w-28 placeholder:text-soft [field-sizing:fixed]"
        aria-label={label}
        aria-invalid={wrong}
        placeholder={placeholder}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || text.trim() === '' || wrong) return;
          add(text.trim());
          setText('');
        }}
      />
      {wrong && <span className="text-[12px] text-soft">{reason}</span>}
    </span>
  );
}
