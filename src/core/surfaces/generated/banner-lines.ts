import { compilePolicy } from '../../evaluation/compile.ts';
import type { DeliveryOption } from '../../policy/types.ts';
import { optionLabel } from '../../wording/option-label.ts';
import { countriesInWords } from '../words/area-in-words.ts';
import { SurfaceWriter } from '../words/surface-writer.ts';
import type { Asked } from './generated.ts';
import { isBroughtToAll, standingZones, type StandingZone } from './standing-market.ts';

/** Lines for a banner, in one language; null where nothing is brought to everybody. */
export interface BannerLines {
  short: string;
  long: string;
}

/**
 * What a line over the pages of a shop may say to everybody in a market: from which goods value delivery is free wherever it
 * goes, else from which price on it is delivered.
 */
export function bannerLines(asked: Asked, marketId: string, language: string): BannerLines | null {
  const writer = new SurfaceWriter(asked, marketId, language);
  const market = compilePolicy(asked.policy).markets.get(marketId)!;
  const looks = standingZones(asked.policy, market, asked.instant).map(lookAt);
  if (looks.length === 0 || looks.some(({ brought }) => brought.length === 0)) return null;
  const countries = countriesInWords(writer);
  const prices = looks.flatMap(({ lowest }) => lowest ?? []);
  if (looks.every(({ allFree }) => allFree))
    return { short: writer.say('bannerFree'), long: writer.say('bannerFreeLong', { countries }) };
  if (prices.length === 0) return null;
  const price = writer.money(Math.min(...prices));
  const goals = looks.map(({ goal }) => goal);
  if (goals.includes(null))
    return { short: writer.say('bannerPrice', { price }), long: writer.say('bannerPriceLong', { countries, price }) };
  const from = Math.max(...goals.map((goal) => goal ?? 0));
  const goal = writer.money(from);
  const labelOf = (option: DeliveryOption) => optionLabel(option, language, writer.market.languages);
  const costs = new Set(
    looks.flatMap(({ freeAt, brought }) =>
      brought
        .map(({ option }) => option)
        .filter((option) => !freeAt(from).includes(option))
        .map(labelOf),
    ),
  );
  const labels = new Set(looks.flatMap(({ freeAt }) => freeAt(from).map(labelOf)).filter((label) => !costs.has(label)));
  const short = writer.say('bannerGoal', { goal });
  // Where one label is free here and costs something there, only the short line is true of both.
  if (labels.size === 0) return { short, long: short };
  return { short, long: writer.say('bannerGoalLong', { options: writer.list([...labels]), goal, price }) };
}

/** What a banner has to know of a zone. */
function lookAt({ prices, options }: StandingZone) {
  const { segments } = prices.alongValue;
  const brought = options.flatMap(({ option }, index) => (isBroughtToAll(option) ? [{ option, index }] : []));
  const isFreeIn = (at: number, segment: (typeof segments)[number]) => {
    const price = segment.options[at];
    return price?.after === 0 && price.lastAfter === 0;
  };
  const allFree = brought.every(({ index }) => segments.every((segment) => isFreeIn(index, segment)));
  // From there on it stays free: what is free for a while is not what a line promises.
  const starts = brought.flatMap(({ index }) => {
    const last = segments.findLastIndex((segment) => !isFreeIn(index, segment));
    return last + 1 < segments.length ? [segments[last + 1]!.from] : [];
  });
  const known = brought.filter(
    ({ option }) => !Object.values(option.charge.lines).some(({ price }) => 'carrier' in price),
  );
  const paid = known.flatMap(({ index }) =>
    segments.flatMap(({ options: priced }) => [priced[index]?.after ?? 0, priced[index]?.lastAfter ?? 0]),
  );
  const costing = paid.filter((amount) => amount > 0);
  return {
    brought,
    allFree,
    goal: starts.length > 0 ? Math.min(...starts) : null,
    lowest: costing.length > 0 ? Math.min(...costing) : null,
    freeAt: (goal: number) =>
      brought
        .filter(({ index }) => segments.every((segment) => segment.from < goal || isFreeIn(index, segment)))
        .map(({ option }) => option),
  };
}
