import { useMemo } from 'react';
import type { CompiledMarket } from '../../core/evaluation/compile.ts';
import type { MessageState } from '../../core/evaluation/evaluation.ts';
import { findText } from '../../core/wording/find-text.ts';
import { countsDown, lookOf } from '../../core/wording/look/look.ts';
import type { TextPlace } from '../../core/wording/places.ts';
import { sampleText } from '../../core/wording/sample-text.ts';
import { textSamples } from '../../core/wording/samples.ts';
import { stateName, statesRead, textAt, type TextAddress } from '../../core/wording/text-address.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNow } from '../page/page-context.tsx';
import { useServerClock } from '../page/use-server-clock.ts';
import { PlaceScene } from '../storefront/PlaceScene.tsx';
import { TextEditor } from './TextEditor.tsx';

/** The states of an offer from left to right, each as the shopper sees it, with its text beneath. */
export function Storyboard({
  speakerId,
  market,
  language,
  place,
  state,
  choose,
}: {
  speakerId: string;
  market: CompiledMarket;
  language: string;
  place: TextPlace;
  state: MessageState;
  choose: (state: MessageState) => void;
}) {
  const states = statesRead(usePolicy(), speakerId);
  return (
    <ol
      className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,268px),1fr))] gap-x-4.5 gap-y-3.5"
      aria-label="What shoppers read, from nothing in the cart to the goal and beyond"
      data-testid="storyboard"
    >
      {states.map(({ id, name, means }, index) => (
        <li
          key={id}
          className="min-w-0 border-t-2 border-hairline pt-1 data-[chosen=true]:border-primary"
          data-chosen={id === state}
          onFocus={() => choose(id)}
        >
          <h2 className="font-sans text-small font-semibold" title={means}>
            {states.length > 1 && <span className="text-soft">{index + 1}</span>} {name}
          </h2>
          <StoryFrame speakerId={speakerId} market={market} language={language} place={place} state={id} />
        </li>
      ))}
    </ol>
  );
}

function StoryFrame({
  speakerId,
  market,
  language,
  place,
  state,
}: {
  speakerId: string;
  market: CompiledMarket;
  language: string;
  place: TextPlace;
  state: MessageState;
}) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const opened = useNow();
  const address = useMemo<TextAddress>(
    () => ({ speakerId, state, place, language }),
    [speakerId, state, place, language],
  );
  const shown = place === 'everyPlace' ? 'strip' : place;
  const { languages } = market.market;
  const found = findText(policy, { speakerId, state, place: shown, language }, languages);
  const [sample] = useMemo(
    () => textSamples(compiled, { speakerId, state, language }, market, opened),
    [compiled, speakerId, state, market, language, opened],
  );
  // A notice that counts down says so itself.
  const deadline = sample!.values.countedFrom === null ? sample!.values.deadline : null;
  const now = useServerClock(shown === 'strip' && countsDown(lookOf(policy), deadline, opened));
  const text = found && sampleText(found, sample!);
  const silent = lookOf(policy).silentIn?.[shown] === true;
  const own = textAt(policy, address) !== undefined;
  // What would be shown without a text of its own: another one of the same state, or that of being on the way.
  const said =
    found && !own
      ? inheritance(found.inherited, found.language, language, place, policy.wording[speakerId]?.[state] !== undefined)
      : null;
  return (
    <>
      <div className="relative" data-inherits={said !== null}>
        <PlaceScene
          place={shown}
          message={text === null || silent ? undefined : { text, language: found!.language }}
          look={lookOf(policy)}
          percent={state === 'notice' ? null : sample!.values.percent}
          deadline={deadline}
          now={now}
          timeZone={market.terms.clocks.market}
        />
      </div>
      <TextEditor
        key={`${place} ${language}`}
        address={address}
        label={`${stateName(state)}, ${language}, ${place === 'everyPlace' ? 'every place' : place}`}
        inherited={own ? null : found}
      />
      {silent && <p className="text-fine text-warning">not shown in this place, as “Strip and bar” has it</p>}
      {said && <p className="text-fine text-soft">{said}</p>}
    </>
  );
}

function inheritance(
  fromEveryPlace: boolean,
  found: string,
  wanted: string,
  place: TextPlace,
  hasState: boolean,
): string {
  if (!hasState) return 'as on the way';
  if (found !== wanted) return `falls back to ${found}`;
  return fromEveryPlace && place !== 'everyPlace' ? 'from every place' : 'as on the way';
}
