import type { CompiledMarket, CompiledZone } from '../../evaluation/compile.ts';
import type { CompiledGoal, CompiledOffer } from '../../offers/compile-offer.ts';
import { selectsOption } from '../../options/compile-option.ts';
import { inOrder } from '../../ordered.ts';
import type { OptionSelection, Reward, Schedule } from '../../policy/types.ts';
import { optionLabel } from '../../wording/option-label.ts';
import { stretchInWords } from '../words/charge-in-words.ts';
import { conditionInWords, goodsInWords } from '../words/condition-in-words.ts';
import type { SurfaceWriter } from '../words/surface-writer.ts';

/** What an offer gives, and what it is bound to. */
export interface OfferInWords {
  /** a line for each goal; `zones` names those in which it is so, null where it is so in all of the market */
  gives: { line: string; zones: string | null }[];
  bound: string[];
}

/** Offers of a market that are on and have not ended, each once. @param instant ms since 1970-01-01T00:00Z */
export function offersInWords({ zones }: CompiledMarket, writer: SurfaceWriter, instant: number): OfferInWords[] {
  const offers = new Map<string, { offer: CompiledOffer; lines: Map<string, string[]> }>();
  for (const zone of zones)
    for (const offer of zone.offers) {
      if (offer.span.until <= instant) continue;
      let known = offers.get(offer.id);
      if (!known) offers.set(offer.id, (known = { offer, lines: new Map() }));
      for (const goal of offer.goals) {
        const line = goalInWords(goal, zone, writer);
        if (line !== null) known.lines.set(line, [...(known.lines.get(line) ?? []), zone.zone.name]);
      }
    }
  return [...offers.values()].map(({ offer, lines }) => ({
    gives: [...lines].map(([line, names]) => ({
      line,
      zones: names.length === zones.length ? null : writer.list(names),
    })),
    bound: boundOf(offer, writer),
  }));
}

function boundOf({ offer, unlock }: CompiledOffer, writer: SurfaceWriter): string[] {
  const bound: string[] = [];
  if (unlock === 'code' || unlock === 'amountAndCode') bound.push(writer.say('withSomeCode'));
  if (offer.when) bound.push(writer.say('onlyIf', { conditions: conditionInWords(offer.when, writer) }));
  if (offer.schedule) bound.push(...scheduleInWords(offer.schedule, writer));
  return bound;
}

/** When something holds; nothing for a schedule without dates. */
export function scheduleInWords({ from, until }: Schedule, writer: SurfaceWriter): string[] {
  const written = {
    from: from === undefined ? '' : writer.moment(from),
    until: until === undefined ? '' : writer.moment(until),
  };
  if (from !== undefined && until !== undefined) return [writer.say('onlyBetween', written)];
  if (from !== undefined) return [writer.say('onlyFrom', written)];
  return until === undefined ? [] : [writer.say('onlyUntil', written)];
}

function goalInWords({ goal, counts, target }: CompiledGoal, zone: CompiledZone, writer: SurfaceWriter): string | null {
  const measures = { value: 'goodsValue', items: 'items', weight: 'weight' } as const;
  const reached =
    target === null ? null : stretchInWords({ measure: measures[counts.kind], from: target, to: null }, writer);
  const goods = goal.goods ? goodsInWords(goal.goods, writer) : null;
  const order = writer.clauses([reached ?? writer.say('withoutGoal'), ...(goods === null ? [] : [goods])]);
  const gifts = inOrder(goal.rewards).flatMap(([, reward]) => giftInWords(reward, zone, writer) ?? []);
  return gifts.length > 0 ? `${order} – ${gifts.join('; ')}` : null;
}

function giftInWords(reward: Reward, zone: CompiledZone, writer: SurfaceWriter): string | null {
  if (reward.kind === 'goodsLessPercent')
    return writer.say('goodsPercent', { percent: writer.percent(reward.percent) });
  if (reward.kind === 'gift')
    return writer.say('gift', { count: reward.quantity, product: writer.product(reward.product) });
  const options = selectionInWords(reward.on, zone, writer);
  if (options === '') return null;
  const said = onDelivery(reward, options, zone, writer);
  if (said === null) return null;
  return reward.cap ? writer.say('giveUpTo', { gift: said, amount: writer.amountIn(reward.cap) }) : said;
}

type OnDelivery = Exclude<Reward, { kind: 'goodsLessPercent' | 'gift' }>;

function onDelivery(reward: OnDelivery, options: string, zone: CompiledZone, writer: SurfaceWriter): string | null {
  switch (reward.kind) {
    case 'deliveryFree':
      return writer.say('giveFree', { options });
    case 'deliveryAt':
      return writer.say('giveAt', { options, price: writer.amountIn(reward.price) });
    case 'deliveryLessPercent':
      return writer.say('givePercent', { options, percent: writer.percent(reward.percent) });
    case 'deliveryLessAmount':
      return writer.say('giveAmount', { options, amount: writer.amountIn(reward.amount) });
    case 'upgrade': {
      const others = selectionInWords(reward.priceOf, zone, writer);
      return others === '' ? null : writer.say('giveUpgrade', { options, others });
    }
  }
}

/** Options of a zone that a selection takes in, by their labels; empty where it takes in none. */
function selectionInWords(selection: OptionSelection, { options }: CompiledZone, writer: SurfaceWriter): string {
  const chosen = options.filter((option) => selectsOption(selection, option));
  if (chosen.length === options.length) return writer.say('everyDelivery');
  const labels = chosen.map(({ option }) => optionLabel(option, writer.language, writer.market.languages));
  return writer.list([...new Set(labels)]);
}
