import { placeIds } from '../../core/wording/places.ts';
import type { Rehearsal } from '../rehearsal/rehearse-cart.ts';

/** The progress toward the leading goal with the text of the strip. */
export function Lead({ rehearsal, language }: { rehearsal: Rehearsal; language: string }) {
  // Where the strip is silent, what is read in the next place that is not.
  const message = placeIds.map((place) => rehearsal.message(place)).find((found) => found !== null);
  if (!message) return null;
  const { state, arguments: values } = message.message;
  return (
    <div className="mt-1.5">
      <progress
        className={`progress block h-1 ${state === 'reached' ? 'progress-primary' : 'progress-accent'}`}
        value={values.percent}
        max={100}
        data-reached={state === 'reached'}
        aria-label={`Toward the goal: ${values.percent} %`}
      />
      <p className="mt-1 text-small" lang={message.found.language} dir="auto" data-testid="lead-text">
        {message.text}
      </p>
      {message.found.fallback && (
        <p className="text-fine text-soft">
          There is no {language} text; {message.found.language} is shown.
        </p>
      )}
    </div>
  );
}
