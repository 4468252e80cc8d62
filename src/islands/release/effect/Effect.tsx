import { useState } from 'react';
import { ordinaryCart } from '../../../core/catalogue/ordinary-cart.ts';
import type { Effect as EffectOf, EffectEntry } from '../../../core/effect/effect.ts';
import {
  classesInWords,
  differencesInWords,
  stretchInWords,
  type EffectSaying,
} from '../../../core/effect/effect-words.ts';
import { compilePolicy } from '../../../core/evaluation/compile.ts';
import type { Policy } from '../../../core/policy/types.ts';
import { cartAsText } from '../../../core/test-carts/cart-as-text.ts';
import { useDistributions } from '../../spend-line/use-distributions.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { useCatalogue, useNotation } from '../../page/page-context.tsx';
import { saveFile } from '../../page/save-file.ts';
import { EffectPicture } from './EffectPicture.tsx';
import { useEffectBetween } from './use-effect-between.ts';

/** So many sentences are shown until all are asked for. */
const fewEntries = 12;

/** What changes for shoppers between two policies, in a picture and in sentences, those that concern most orders first. */
export default function Effect({ was, is }: { was: Policy; is: Policy }) {
  const said = useEffectBetween(was, is);
  if (said === null) return <p className="py-2 text-soft">What changes for shoppers is being worked out.</p>;
  if ('failed' in said)
    return (
      <p role="alert" className="py-2 text-error">
        What changes for shoppers could not be worked out ({said.failed}). The list of edits is complete; open the page
        again to try once more.
      </p>
    );
  return <Said effect={said.effect} was={was} is={is} />;
}

function Said({ effect, was, is }: { effect: EffectOf; was: Policy; is: Policy }) {
  const { entries, notExamined } = effect;
  const [chosen, setChosen] = useState('');
  const [all, setAll] = useState(false);
  const looked = entries.find((entry) => keyOf(entry) === chosen) ?? entries[0];
  const zones = new Map(entries.map((entry): [string, EffectEntry] => [entry.zoneId, entry]).reverse());
  return (
    <div data-testid="effect">
      {!looked && (
        <p className="py-2 text-soft">
          No shopper with an ordinary order is offered, pays or reads anything else at this moment.
        </p>
      )}
      {looked && (
        <>
          <p className="leading-7">
            In{' '}
            <PhraseSelect
              label="Where"
              value={looked.zoneId}
              options={[...zones].reverse().map(([id, entry]) => [id, zoneInWords(entry, was, is)])}
              choose={(id) => setChosen(keyOf(zones.get(id)!))}
              testId="effect-zone"
            />{' '}
            for {classesInWords(looked)}
          </p>
          <Picture entries={entries} looked={looked} was={was} is={is} />
        </>
      )}
      <ol className="mt-2">
        {(all ? entries : entries.slice(0, fewEntries)).map((entry) => (
          <Sentence
            key={keyOf(entry)}
            entry={entry}
            was={was}
            is={is}
            look={() => setChosen(keyOf(entry))}
            shown={entry === looked}
          />
        ))}
      </ol>
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
      </p>
      {notExamined.map((why) => (
        <p key={why} className="text-small">
          Not examined: {why}
        </p>
      ))}
    </div>
  );
}

const keyOf = ({ zoneId, classes, axis, from }: EffectEntry): string =>
  `${zoneId} ${axis} ${from} ${classes.map(({ id }) => id).join(' ')}`;

function zoneInWords({ zoneId, marketId }: EffectEntry, was: Policy, is: Policy): string {
  const policy = is.zones[zoneId] ? is : was;
  return `${policy.markets[marketId]?.name ?? marketId}, ${policy.zones[zoneId]?.name ?? zoneId}`;
}

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
  const { marketId, zoneId } = looked;
  const who = looked.classes[0]!;
  const distribution = useDistributions([marketId], marketId, null).get(marketId) ?? null;
  const has = distribution !== null && distribution.orders > 0;
  return (
    <EffectPicture
      was={was}
      is={is}
      entries={entries.filter(
        ({ axis, zoneId: zone, classes }) =>
          axis === 'goodsValue' && zone === zoneId && classes.some(({ id }) => id === who.id),
      )}
      who={who}
      distribution={has ? distribution : null}
    />
  );
}

function Sentence({
  entry,
  was,
  is,
  look,
  shown,
}: {
  entry: EffectEntry;
  was: Policy;
  is: Policy;
  look: () => void;
  /** its place is in the picture */
  shown: boolean;
}) {
  const { money, locale } = useNotation();
  const catalogue = useCatalogue();
  const { currency } = (is.markets[entry.marketId] ?? was.markets[entry.marketId])!;
  const saying: EffectSaying = { was, is, money: (minor) => money(minor, currency) };
  const percent = new Intl.NumberFormat(locale, { style: 'percent', maximumFractionDigits: 1 });
  const { orders } = entry;
  return (
    <li className={`border-b border-hairline py-1 ${shown ? 'bg-base-200' : ''}`} data-testid="effect-sentence">
      <button type="button" className="text-left hover:underline" aria-pressed={shown} onClick={look}>
        <strong>
          {zoneInWords(entry, was, is)}, {classesInWords(entry)}
        </strong>
        : {stretchInWords(entry, saying.money)} {differencesInWords(entry.differences, saying).join('; ')}.
      </button>{' '}
      <span className="text-soft">
        {orders && orders.all > 0 && `${percent.format(orders.there / orders.all)} of this market’s past orders. `}
      </span>
      <a className="link link-primary" href={edgeHref(entry, is, was, catalogue)}>
        a cart there
      </a>
    </li>
  );
}

/** A cart of real products about where a stretch begins, before and after side by side. */
function edgeHref(
  { marketId, destination, from, classes }: EffectEntry,
  is: Policy,
  was: Policy,
  catalogue: ReturnType<typeof useCatalogue>,
): string {
  const policy = is.markets[marketId] ? is : was;
  const market = compilePolicy(policy).markets.get(marketId)!;
  const { shopper, codes, channel } = classes[0]!;
  const lines = [...ordinaryCart(catalogue, market.terms, Math.max(1, from))];
  const cart = cartAsText({
    order: 1,
    name: `At the edge, ${classes[0]!.name}`.slice(0, 80),
    pinned: false,
    language: market.market.languages[0]!,
    destination,
    lines: Object.fromEntries(lines.map(([id, quantity], index) => [id, { order: index + 1, quantity }])),
    shopper,
    ...(codes.length > 0 ? { codes: [...codes] } : {}),
    ...(channel === undefined ? {} : { channel }),
  });
  return `/rehearse?${new URLSearchParams({ shared: cart, laid: 'both' }).toString()}`;
}
