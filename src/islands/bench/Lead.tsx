import { placeIds } from '../../core/wording/places.ts';
import type { Rehearsal } from './rehearse-cart.ts';

/** The progress toward the leading goal with the text of the strip. */
export function Lead({ rehearsal, language }: { rehearsal: Rehearsal; language: string }) {
  const { lead } = rehearsal.evaluation;
  if (!lead) return null;
  // Where the strip is silent, what is read in the next place that is not.
  const message = placeIds.map((place) => rehearsal.message(place)).find((found) => found !== null);
  const reached = lead.state === 'reached';
  return (
    <div className="mt-1.5">
      <progress className="toward" value={lead.arguments.percent} max={100} data-reached={reached} aria-label={`Toward the goal: ${lead.arguments.percent} %`} />
      {message ? (
        <p className="mt-1 text-[13px]" lang={message.found.language} dir="auto" data-testid="lead-text">
          {message.text}
        </p>
      ) : (
        <p className="mt-1 text-[13px] text-warning">No text that can be read, so shoppers see nothing here.</p>
      )}
      {message?.found.fallback && (
        <p className="text-[12px] text-soft">
          There is no {language} text; {message.found.language} is shown.
        </p>
      )}
    </div>
  );
}
