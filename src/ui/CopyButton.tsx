import { useState } from 'react';

/** Puts a text into the clipboard and says so; where that is not allowed the text itself is marked, to be copied by hand. */
export function CopyButton({
  text,
  what,
  textId,
  className = '',
}: {
  text: string;
  /** what is copied, as assistive technology says it */
  what: string;
  /** id of the element in which the text stands */
  textId: string;
  className?: string;
}) {
  const [copied, setCopied] = useState<string | null>(null);
  const [byHand, setByHand] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      setCopied(text);
      setByHand(false);
    } catch {
      const element = document.getElementById(textId);
      if (element) window.getSelection()?.selectAllChildren(element);
      setByHand(true);
    }
  };
  const said = byHand ? 'marked: copy it by hand' : copied === text && 'copied, not sent';
  return (
    <span className={`inline-flex flex-wrap items-baseline justify-end gap-x-2 ${className}`}>
      <button type="button" className="btn btn-xs" onClick={() => void copy()} aria-label={`Copy ${what}`}>
        Copy
      </button>
      <span role="status" className="text-fine text-soft">
        {said}
      </span>
    </span>
  );
}
