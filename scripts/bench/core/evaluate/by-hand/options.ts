import type { EvaluationInput } from '../../../../../src/core/evaluation/evaluation.ts';
import type { Price } from './answer.ts';
import { share, type Sums } from './cart-sums.ts';
import { packed } from './parcels.ts';
import { fitsTheVan, isBeachHour } from './shopper-facts.ts';

const summer = [Date.parse('2026-05-31T23:00Z'), Date.parse('2026-08-31T23:00Z')] as const;

/** The options of a zone with their prices before; those that are not offered are left out. */
export function pricesIn(zone: string, { cart, instant, quotes }: EvaluationInput, sums: Sums): Price[] {
  const { charged, chargeable, own, ordinary, items } = sums;
  const prices: Price[] = [];
  const nothing = items > 0 && !ordinary;
  const parcel = (id: string, base: number) => prices.push({ id, kind: 'parcel', base: nothing ? 0 : base, own });
  switch (zone) {
    case 'nlbe-all':
      parcel('nlbe-door', chargeable < 4000 ? 695 : chargeable < 12_000 ? 595 : 395);
      parcel('nlbe-parcel-shop', 450);
      if (cart.channel === 'counter') prices.push({ id: 'nlbe-counter', kind: 'pickUp', base: 0, own: 0 });
      break;
    case 'nlbe-islands': {
      const { weight } = packed(charged.pieces);
      parcel('nlbe-islands-ferry', weight < 2000 ? 895 : weight < 10_000 ? 1195 : 1895);
      const quote = quotes?.['island-air'] ?? null;
      if (nothing) parcel('nlbe-islands-air', 0);
      else if (quote !== null) parcel('nlbe-islands-air', share(quote, 1125, 1000) + 150);
      break;
    }
    case 'nlbe-round':
      if (fitsTheVan(sums) && isBeachHour(instant))
        prices.push({ id: 'nlbe-round-van', kind: 'local', base: Math.min(600, 250 + 50 * charged.items), own });
      prices.push({ id: 'nlbe-round-pick-up', kind: 'pickUp', base: 0, own: 0 });
      parcel('nlbe-round-door', chargeable < 4000 ? 595 : chargeable < 12_000 ? 495 : 295);
      break;
    case 'deat-all': {
      parcel('deat-door', 590 + (charged.side >= 1200 ? 400 : 0) + (sums.heavy ? 250 : 0));
      parcel('deat-parcel-shop', 490);
      const quote = quotes?.['gale-express'] ?? null;
      parcel('deat-express', quote === null ? 1490 : share(quote, 11, 10) + 50);
      break;
    }
    case 'deat-austria':
      parcel(
        'deat-austria-door',
        Math.max(690 + 120 * Math.ceil(packed(charged.pieces).weight / 1000), 990 + share(15, charged.volume, 1000)),
      );
      break;
    case 'uk-all':
      parcel('uk-tracked', chargeable < 5000 ? 895 : 695);
      parcel('uk-collection', 495);
      break;
    case 'uk-highlands': {
      const charge = Math.min(1450, Math.max(900, share(sums.chargeableUntaxed, 18, 100)));
      parcel('uk-highlands-parcel', charge + share(charge, 5, 100));
      if (instant >= summer[0] && instant < summer[1]) parcel('uk-highlands-summer', 1250);
      break;
    }
    case 'dk-all':
      parcel('dk-door', charged.lines >= 1 && charged.lines < 4 ? 5900 : 6900);
      if (nothing || charged.items >= 1) parcel('dk-parcel-shop', 3900 + 500 * (charged.items - 1));
      break;
    case 'ch-all':
      parcel('ch-door', 965);
      parcel('ch-economy', 590 + share(85, packed(charged.pieces).weight, 1000));
      break;
    case 'us-all':
      parcel('us-economy', Math.min(4995, 795 + 120 * Math.ceil(packed(charged.pieces).weight / 500)));
      parcel('us-express', 250 + Math.min(7995, Math.max(2495, share(chargeable, 14, 100))));
      break;
    case 'us-far':
      parcel('us-far-economy', 995 * charged.items);
      break;
    case 'us-pick-up':
      prices.push({ id: 'us-pick-up-warehouse', kind: 'pickUp', base: 0, own: 0 });
      parcel('us-pick-up-economy', 300 + 395 * packed(charged.pieces).parcels);
      break;
    case 'jp-all':
      parcel('jp-air', 150 + 1200 + 300 * Math.ceil(packed(charged.pieces).chargeable / 500));
      break;
  }
  return prices;
}
