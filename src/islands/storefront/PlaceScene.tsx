import type { Look } from '../../core/policy/types.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import type { Place } from '../../core/wording/places.ts';
import { GoalBar } from './GoalBar.tsx';
import { shopWords } from './shop-words.ts';
import { Strip, type StripMessage } from './Strip.tsx';
import { useLook } from './use-look.ts';

/** One place of the shop, as little of it as shows what a message looks like there. */
export function PlaceScene({
  place,
  message,
  look,
  percent,
  deadline,
  now,
  timeZone,
}: {
  place: Place;
  message: StripMessage | undefined;
  look: Look;
  /** null: a notice speaks, beside which no bar stands */
  percent: number | null;
  deadline: number | null;
  now: number;
  timeZone: string;
}) {
  const part = useLook(look);
  if (place === 'strip') {
    return (
      <div className="scene" data-place="strip">
        {look.position === 'bottom' && <SceneLines />}
        <Strip message={message} look={look} deadline={deadline} now={now} timeZone={timeZone} />
        {look.position === 'top' && <SceneLines />}
      </div>
    );
  }
  const words = shopWords(message?.language ?? 'en');
  return (
    <div ref={part} className="scene" data-place={place} dir={directionOf(message?.language ?? 'en')}>
      <div className="scene-inside">
        {place === 'product' && <SceneLines short />}
        {message && percent !== null && place !== 'product' && <GoalBar percent={percent} name={words.toward} />}
        {message ? <p lang={message.language}>{message.text}</p> : <p className="scene-silent">silent</p>}
        {place !== 'product' && <SceneLines short />}
      </div>
    </div>
  );
}

/** Lines where the shop has other things. */
function SceneLines({ short }: { short?: boolean }) {
  return (
    <svg className="scene-lines" width="100%" height={short ? 12 : 26} aria-hidden="true">
      <rect x="8" y="4" width="45%" height="4" />
      {!short && <rect x="8" y="14" width="70%" height="4" />}
    </svg>
  );
}
