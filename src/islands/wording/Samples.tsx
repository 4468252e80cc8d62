import { useMemo } from 'react';
import type { CompiledMarket } from '../../core/evaluation/compile.ts';
import type { MessageState } from '../../core/evaluation/evaluation.ts';
import { findText } from '../../core/wording/find-text.ts';
import { directionOf } from '../../core/wording/languages/languages.ts';
import { linesNeeded } from '../../core/wording/look/lines-needed.ts';
import { placeIds, places, type Place, type TextPlace } from '../../core/wording/places.ts';
import { sampleText } from '../../core/wording/sample-text.ts';
import { textSamples } from '../../core/wording/samples.ts';
import { stateName } from '../../core/wording/text-address.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCompiled, useNow } from '../page/page-context.tsx';
import { useTextWidth } from './use-text-width.ts';

/** A text with carts that try it, and the room it takes in the places where it is shown. */
export function Samples({
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
  const now = useNow();
  const measure = useTextWidth();
  const shown: Place[] = place === 'everyPlace' ? placeIds : [place];
  const samples = useMemo(
    () => textSamples(compiled, { speakerId, state, language }, market, now),
    [compiled, speakerId, state, market, language, now],
  );
  const found = findText(policy, { speakerId, state, place: shown[0]!, language }, market.market.languages);
  if (!found)
    return <p className="text-soft">Nothing is written for “{stateName(state)}”, so shoppers read nothing.</p>;
  return (
    <table className="table table-xs" data-testid="samples">
      <caption className="pb-1 text-left">“{stateName(state)}” with carts that try it</caption>
      <thead>
        <tr className="border-b border-hairline text-soft">
          <th scope="col" className="py-1 font-normal">
            cart
          </th>
          <th scope="col" className="py-1 font-normal">
            reads
          </th>
          <th scope="col" className="py-1 text-right font-normal">
            characters
          </th>
          <th scope="col" className="py-1 pl-4 font-normal">
            lines on a phone
          </th>
        </tr>
      </thead>
      <tbody>
        {samples.map((sample) => {
          const { name, market: inMarket } = sample;
          const text = sampleText(found, sample) ?? '';
          return (
            <tr key={name} className="border-b border-hairline align-top">
              <th scope="row" className="py-1 pr-3 font-normal whitespace-nowrap">
                {name}
                {inMarket !== market && <span className="text-soft">, {inMarket.market.currency}</span>}
              </th>
              <td className="py-1 pr-3 text-start" lang={found.language} dir={directionOf(found.language)}>
                {text}
              </td>
              <td className="py-1 text-right">{[...text].length}</td>
              <td className="py-1 pl-4">
                {measure && <Room text={text} language={found.language} places={shown} measure={measure} />}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Room({
  text,
  language,
  places: shown,
  measure,
}: {
  text: string;
  language: string;
  places: readonly Place[];
  measure: (piece: string) => number;
}) {
  const needed = shown.map((place) => ({
    place,
    lines: linesNeeded(text, language, places[place].room.width, measure),
  }));
  const over = needed.filter(({ place, lines }) => lines > places[place].room.lines);
  if (over.length === 0)
    return <>{needed.length === 1 ? needed[0]!.lines : `${Math.max(...needed.map(({ lines }) => lines))} at most`}</>;
  return (
    <span className="text-warning">
      {over
        .map(
          ({ place, lines }) =>
            `${lines} in the ${places[place].short}, which has room for ${places[place].room.lines}`,
        )
        .join('; ')}
    </span>
  );
}
