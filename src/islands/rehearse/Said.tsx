import type { Place } from '../../core/wording/places.ts';
import type { Rehearsal } from '../bench/rehearse-cart.ts';

/** The text of a place as the shopper reads it. */
export function Said({ rehearsal, place }: { rehearsal: Rehearsal; place: Place }) {
  const message = rehearsal.message(place);
  if (!message) return <span className="text-[13px] italic opacity-80">nothing is said here</span>;
  return (
    <span lang={message.found.language} dir="auto">
      {message.text}
    </span>
  );
}
