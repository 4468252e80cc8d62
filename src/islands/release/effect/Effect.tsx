import { useMemo, useState } from 'react';
import { edgeCart } from '../../../core/effect/edge-cart.ts';
import type { Effect as EffectOf, EffectEntry } from '../../../core/effect/effect.ts';
import { experimentsChanged } from '../../../core/effect/experiments-changed.ts';
import { classesInWords, entryInWords, placeInWords } from '../../../core/effect/effect-words.ts';
import type { Policy, TestCart } from '../../../core/policy/types.ts';
import { cartAsText } from '../../../core/test-carts/cart-as-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useDistributions } from '../../spend-line/use-distributions.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { useCatalogue, useNotation } from '../../page/page-context.tsx';
import { saveFile } from '../../page/save-file.ts';
import { EffectPicture } from './EffectPicture.tsx';
import { usePrinting } from '../../page/use-printing.ts';
import { EffectAwaited } from './EffectAwaited.tsx';
import { PrintedEffect } from './PrintedEffect.tsx';
import { useEffectBetween } from './use-effect-between.ts';

/** So many sentences are shown until all are asked for. */
const fewEntries = 6;

/**
 * What changes for shoppers between two policies, in a picture and in sentences, those that concern most orders first.
 *
 * @param title of the page on which it is printed; null: it is not
 */
export default function Effect({ was, is, title }: { was: Policy; is: Policy; title: string | null }) {
  const said = useEffectBetween(was, is);
  if (said === null) return <EffectAwaited soFar={null} />;
  if ('soFar' in said) return <EffectAwaited soFar={said.soFar} />;
  if ('failed' in said)
    return (
      <p role="alert" className="py-2 text-error">
        What changes for shoppers could not be worked out ({said.failed}). The list of edits is complete; open the page
        again to try once more.
      </p>
    );
  return <Said effect={said.effect} was={was} is={is} title={title} />;
}

function Said({ effect, was, is, title }: { effect: EffectOf; was: Policy; is: Policy; title: string | null }) {
  const { entries, notExamined } = effect;
  const [chosen, setChosen] = useState('');
  const [all, setAll] = useState(false);
  const printing = usePrinting();
  const { locale } = useNotation();
  const experiments = useMemo(() => experimentsChanged(was, is, locale), [was, is, locale]);
  const looked = entries.find((entry) => keyOf(entry) === chosen) ?? entries[0];
  const zones = new Map(entries.map((entry): [string, EffectEntry] => [placeOf(entry), entry]).reverse());
  return (
    <div data-testid="effect">
      {printing && title !== null && (
        <PrintedEffect title={title} effect={effect} experiments={experiments} was={was} is={is} />
      )}
      {experiments.map(({ id, sentence }) => (
        <p key={id} className="py-1" data-testid="effect-experiment">
          {sentence}
        </p>
      ))}
      {!looked && (
        <p className="py-2 text-soft">
          {experiments.length > 0 ? 'Apart from that no' : 'No'} shopper with an ordinary order is offered, pays or
          reads anything else at this moment.
        </p>
      )}
      {looked && (
        <>
          <p className="leading-7">
            In{' '}
            <PhraseSelect
              label="Where"
              value={placeOf(looked)}
              options={[...zones]
                .reverse()
                .map(([id, entry]) => [id, `${marketName(entry, was, is)}, ${placeInWords(entry, { was, is })}`])}
              choose={(id) => setChosen(keyOf(zones.get(id)!))}
              testId="effect-zone"
            />{' '}
            for {classesInWords(looked)}
          </p>
          <Picture entries={entries} looked={looked} was={was} is={is} />
        </>
      )}
      {together(all ? entries : entries.slice(0, fewEntries)).map((group) => (
        <Stretch
          key={keyOf(group[0])}
          entries={group}
          was={was}
          is={is}
          look={(entry) => setChosen(keyOf(entry))}
          looked={looked}
        />
      ))}
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3">
        {entries.length > fewEntries && !all && (
          <button type="button" className="btn btn-xs" onClick={() => setAll(true)} data-testid="effect-all">
            All {entries.length} changes
          </button>
        )}
        {looked && (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() =>
              saveFile('effect.json', new Blob([JSON.stringify(effect, null, 2)], { type: 'application/json' }))
            }
          >
            Save as JSON
          </button>
        )}
        {(looked || experiments.length > 0) && title !== null && (
          <button type="button" className="btn btn-xs" onClick={() => window.print()}>
            Print
          </button>
        )}
      </p>
      {notExamined.map((why) => (
        <p key={why} className="text-small">
          Not examined: {why}
        </p>
      ))}
    </div>
  );
}

const marketName = ({ marketId }: EffectEntry, was: Policy, is: Policy): string =>
  (is.markets[marketId] ?? was.markets[marketId])?.name ?? marketId;

/** Which two zones, and which place of theirs. */
const placeOf = ({ zoneId, movedFrom, named, destination }: EffectEntry): string =>
  JSON.stringify([zoneId, movedFrom, named ? destination : null]);

const keyOf = (entry: EffectEntry): string =>
  `${placeOf(entry)} ${entry.axis} ${entry.from} ${entry.moments.join(' ')} ${entry.classes.map(({ id }) => id).join(' ')}`;

/** The zone of what is looked at, for the first of those for whom it is so. */
function Picture({
  entries,
  looked,
  was,
  is,
}: {
  entries: readonly EffectEntry[];
  looked: EffectEntry;
  was: Policy;
  is: Policy;
}) {
  const { marketId, moments } = looked;
  const who = looked.classes[0]!;
  // The draft may have a market no longer that the release has: nobody can be asked for its orders.
  const { markets } = usePolicy();
  const asked = Object.hasOwn(markets, marketId) ? [marketId] : [];
  const distribution = useDistributions(asked, marketId, null).get(marketId) ?? null;
  const has = distribution !== null && distribution.orders > 0;
  return (
    <EffectPicture
      was={was}
      is={is}
      looked={looked}
      entries={entries.filter(
        (entry) =>
          entry.axis === 'goodsValue' &&
          placeOf(entry) === placeOf(looked) &&
          entry.moments.includes(moments[0]!) &&
          entry.classes.some(({ id }) => id === who.id),
      )}
      distribution={has ? distribution : null}
    />
  );
}

/** Entries of the same stretch of a market one after the other, so that it is said once. */
function together(entries: readonly EffectEntry[]): [EffectEntry, ...EffectEntry[]][] {
  const groups = new Map<string, [EffectEntry, ...EffectEntry[]]>();
  for (const entry of entries) {
    const { marketId, axis, from, to, moments } = entry;
    const key = JSON.stringify([marketId, axis, from, to, moments]);
    const group = groups.get(key);
    if (group) group.push(entry);
    else groups.set(key, [entry]);
  }
  return [...groups.values()];
}

/** A stretch of goods in a market: how many orders lie there, and what is otherwise in which zone and for whom. */
function Stretch({
  entries,
  was,
  is,
  look,
  looked,
}: {
  entries: readonly [EffectEntry, ...EffectEntry[]];
  was: Policy;
  is: Policy;
  look: (entry: EffectEntry) => void;
  /** its place is in the picture */
  looked: EffectEntry | undefined;
}) {
  const { money, locale } = useNotation();
  const [first] = entries;
  const { currency } = (is.markets[first.marketId] ?? was.markets[first.marketId])!;
  const saying = { was, is, money: (minor: number) => money(minor, currency), language: locale };
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  const { market, stretch } = entryInWords(first, saying);
  const { orders } = first;
  return (
    <section className="mt-2" data-testid="effect-stretch">
      <h3 className="font-sans text-body font-semibold">
        {market}, {stretch}
        {orders && orders.all > 0 && (
          <span className="font-normal text-soft">
            {' '}
            · {percent.format(orders.there / orders.all)} of past orders lie there
          </span>
        )}
      </h3>
      <ul>
        {entries.map((entry) => {
          const { whom, what } = entryInWords(entry, saying);
          return (
            <li
              key={keyOf(entry)}
              className={`border-b border-hairline py-1 ${entry === looked ? 'bg-base-200' : ''}`}
              data-testid="effect-sentence"
            >
              <button
                type="button"
                className="text-left hover:underline"
                aria-pressed={entry === looked}
                onClick={() => look(entry)}
              >
                <span className="text-soft">{whom}:</span> {what}
              </button>{' '}
              <EdgeCart entry={entry} was={was} is={is} />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function EdgeCart({ entry, was, is }: { entry: EffectEntry; was: Policy; is: Policy }) {
  const catalogue = useCatalogue();
  const cart = useMemo(() => edgeCart(entry, was, is, catalogue), [entry, was, is, catalogue]);
  return (
    cart && (
      <a className="link link-primary whitespace-nowrap" href={besideRelease(cart)}>
        a cart there
      </a>
    )
  );
}

/** A cart at Rehearse, draft and release side by side. */
const besideRelease = (cart: TestCart): string =>
  `/rehearse?${new URLSearchParams({ shared: cartAsText(cart), laid: 'both' }).toString()}`;
