import { X } from 'lucide-react';
import { useState } from 'react';
import type { Look } from '../../core/policy/types.ts';
import { timeLeft } from '../../core/time/countdown.ts';
import { countdownInWords } from '../../core/wording/look/countdown-words.ts';
import { countsDown } from '../../core/wording/look/look.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import { shopWords, shopWordsLanguage } from './shop-words.ts';
import { useLook } from './use-look.ts';

export interface StripMessage {
  text: string;
  language: string;
}

/** The strip across the page, as the store's look has it; nothing where nothing is said. */
export function Strip({
  message,
  look,
  deadline,
  now,
  timeZone,
  testId,
}: {
  message: StripMessage | undefined;
  look: Look;
  deadline: number | null;
  now: number;
  timeZone: string;
  testId?: string | undefined;
}) {
  const part = useLook(look);
  const [closed, setClosed] = useState(false);
  if (!message) return <div className="strip-none" data-testid={testId} />;
  const words = shopWords(message.language);
  const left = countsDown(look, deadline, now) ? timeLeft(now, deadline, timeZone) : null;
  if (closed) {
    return (
      <div className="strip-none" data-testid={testId}>
        <button type="button" className="text-fine underline" onClick={() => setClosed(false)}>
          closed by the shopper; show it again
        </button>
      </div>
    );
  }
  return (
    <div
      ref={part}
      className="shop-strip"
      data-look={look.style}
      lang={message.language}
      dir={directionOf(message.language)}
    >
      <span className="strip-text" data-testid={testId}>
        {message.text}
      </span>
      {left && (
        <span className="strip-left" data-testid="strip-countdown" lang={shopWordsLanguage(message.language)}>
          {words.ends} {countdownInWords(left, shopWordsLanguage(message.language))}
        </span>
      )}
      {look.closable && (
        <button type="button" className="strip-close" aria-label={words.close} onClick={() => setClosed(true)}>
          <X size={15} aria-hidden />
        </button>
      )}
    </div>
  );
}
