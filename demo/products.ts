import { minorPerMajor } from '../src/core/money/currency.ts';
import type { Product } from '../src/core/catalogue/product.ts';

/** How a price in EUR becomes a shelf price elsewhere: factor, then up to a step, less an ending. Minor units. */
const shelfPrices: Record<string, { currency: string; factor: number; step: number; less: number }> = {
  nlbe: { currency: 'EUR', factor: 1, step: 5, less: 0 },
  deat: { currency: 'EUR', factor: 1, step: 5, less: 0 },
  uk: { currency: 'GBP', factor: 0.88, step: 50, less: 5 },
  dk: { currency: 'DKK', factor: 7.5, step: 500, less: 0 },
  ch: { currency: 'CHF', factor: 1.05, step: 50, less: 10 },
  us: { currency: 'USD', factor: 1.05, step: 50, less: 5 },
  jp: { currency: 'JPY', factor: 165, step: 50, less: 0 },
};

function pricesFrom(eur: number): Record<string, number> {
  return Object.fromEntries(
    Object.entries(shelfPrices).map(([market, { currency, factor, step, less }]) => {
      const minor = eur * factor * minorPerMajor(currency);
      return [market, Math.max(step, Math.ceil(Math.round(minor) / step) * step) - less];
    }),
  );
}

/** Prices that follow the one in EUR at the rates the policy has adopted. */
function followingPrices(eur: number): Product['prices'] {
  const base = Math.round(eur * 100);
  return {
    dk: { following: { base, buffer: '2', round: 'up', step: 500, less: 0 } },
    ch: { following: { base, buffer: '3.5', round: 'nearest', step: 50, less: 10 } },
  };
}

interface Row {
  id: string;
  name: string;
  eur: number;
  grams: number | null;
  mm: [number, number, number] | null;
  category: string;
  tags?: string[];
  flags?: Partial<
    Pick<Product, 'needsDelivery' | 'countsTowardGoals' | 'shipsFree' | 'taxClass' | 'preparationDays' | 'notTo'>
  > & {
    ownDeliveryEur?: number;
  };
  /** its prices in Denmark and Switzerland follow the one in EUR */
  follows?: true;
}

const rows: Row[] = [
  { id: 'tidewing-16', name: 'Tidewing 1.6 beach kite', eur: 39.95, grams: 420, mm: [780, 90, 90], category: 'kites' },
  { id: 'tidewing-20', name: 'Tidewing 2.0 beach kite', eur: 54.95, grams: 560, mm: [920, 90, 90], category: 'kites' },
  {
    id: 'dune-hopper',
    name: 'Dune Hopper first kite',
    eur: 18.95,
    grams: 210,
    mm: [520, 70, 70],
    category: 'kites',
    tags: ['beginner'],
    follows: true,
  },
  { id: 'gull-delta', name: 'Gull delta kite', eur: 29.95, grams: 330, mm: [700, 80, 80], category: 'kites' },
  {
    id: 'petrel-stunt',
    name: 'Petrel two-line stunt kite',
    eur: 84.95,
    grams: 780,
    mm: [1120, 100, 100],
    category: 'kites',
    tags: ['long'],
  },
  {
    id: 'skua-power',
    name: 'Skua 3 m² power kite',
    eur: 129.0,
    grams: 1900,
    mm: [480, 320, 120],
    category: 'kites',
    flags: { notTo: ['JP', 'US-HI'] },
  },
  {
    id: 'skua-power-5',
    name: 'Skua 5 m² power kite',
    eur: 189.0,
    grams: 2600,
    mm: [520, 360, 140],
    category: 'kites',
    flags: { notTo: ['JP', 'US-HI'] },
  },
  { id: 'box-classic', name: 'Classic box kite', eur: 47.5, grams: 640, mm: [900, 110, 110], category: 'kites' },
  { id: 'night-heron', name: 'Night Heron lit kite', eur: 64.95, grams: 590, mm: [880, 90, 90], category: 'kites' },
  {
    id: 'pocket-tern',
    name: 'Pocket Tern folding kite',
    eur: 14.95,
    grams: 110,
    mm: [180, 120, 40],
    category: 'kites',
    tags: ['beginner'],
  },
  { id: 'line-25', name: 'Braided line 25 m, 30 kg', eur: 6.95, grams: 45, mm: [110, 60, 30], category: 'lines' },
  { id: 'line-50', name: 'Braided line 50 m, 50 kg', eur: 11.95, grams: 85, mm: [120, 70, 35], category: 'lines' },
  { id: 'line-100', name: 'Braided line 100 m, 90 kg', eur: 22.5, grams: 190, mm: [140, 90, 50], category: 'lines' },
  { id: 'stunt-pair', name: 'Stunt line pair 2 × 30 m', eur: 24.95, grams: 120, mm: [150, 110, 40], category: 'lines' },
  { id: 'reel-small', name: 'Hand reel, small', eur: 8.5, grams: 160, mm: [180, 120, 40], category: 'reels' },
  { id: 'reel-large', name: 'Hand reel, large', eur: 15.95, grams: 340, mm: [260, 170, 60], category: 'reels' },
  { id: 'reel-brake', name: 'Drum reel with brake', eur: 44.95, grams: 1150, mm: [280, 240, 140], category: 'reels' },
  { id: 'winder', name: 'Line winder', eur: 4.95, grams: 70, mm: [200, 80, 20], category: 'reels' },
  { id: 'windsock-75', name: 'Windsock 75 cm', eur: 12.95, grams: 140, mm: [300, 220, 30], category: 'windsocks' },
  { id: 'windsock-150', name: 'Windsock 150 cm', eur: 24.5, grams: 310, mm: [360, 260, 50], category: 'windsocks' },
  {
    id: 'windsock-mast',
    name: 'Windsock with mast',
    eur: 79.0,
    grams: 4200,
    mm: [1450, 160, 160],
    category: 'windsocks',
    tags: ['long', 'heavy'],
    flags: { preparationDays: 2 },
  },
  { id: 'ribbon-tail', name: 'Ribbon tail 6 m', eur: 5.5, grams: 60, mm: [160, 120, 25], category: 'windsocks' },
  { id: 'spinner', name: 'Wind spinner', eur: 9.95, grams: 180, mm: [320, 320, 30], category: 'windsocks' },
  { id: 'repair-tape', name: 'Repair tape, five colours', eur: 3.95, grams: 35, mm: [120, 80, 20], category: 'spares' },
  { id: 'ripstop-sheet', name: 'Ripstop sheet 1 m²', eur: 7.5, grams: 50, mm: [250, 180, 10], category: 'spares' },
  { id: 'spar-set', name: 'Spar set 6 mm', eur: 13.5, grams: 240, mm: [830, 40, 40], category: 'spares' },
  {
    id: 'spar-long',
    name: 'Long spar 8 mm, 2 m',
    eur: 16.5,
    grams: 260,
    mm: [2000, 40, 40],
    category: 'spares',
    tags: ['long'],
  },
  { id: 'swivel-pack', name: 'Swivels, pack of ten', eur: 2.95, grams: 30, mm: [90, 60, 15], category: 'spares' },
  { id: 'end-caps', name: 'End caps, pack of twelve', eur: 1.95, grams: 15, mm: [90, 60, 10], category: 'spares' },
  { id: 'bridle-kit', name: 'Bridle kit', eur: 6.25, grams: 40, mm: [130, 90, 20], category: 'spares' },
  { id: 'sand-anchor', name: 'Sand anchor', eur: 17.95, grams: 900, mm: [260, 200, 60], category: 'anchors' },
  {
    id: 'ground-anchor',
    name: 'Ground anchor, steel',
    eur: 34.95,
    grams: 3800,
    mm: [420, 140, 140],
    category: 'anchors',
    tags: ['heavy'],
  },
  { id: 'anchor-bag', name: 'Anchor bag', eur: 11.5, grams: 220, mm: [300, 220, 40], category: 'anchors' },
  {
    id: 'kite-tube-120',
    name: 'Kite tube 120 cm',
    eur: 19.95,
    grams: 680,
    mm: [1250, 130, 130],
    category: 'storage',
    tags: ['long'],
  },
  {
    id: 'kite-tube-200',
    name: 'Kite tube 200 cm',
    eur: 32.95,
    grams: 1150,
    mm: [2050, 140, 140],
    category: 'storage',
    tags: ['long'],
  },
  {
    id: 'beach-shelter',
    name: 'Beach wind shelter',
    eur: 149.0,
    grams: 9800,
    mm: [1300, 320, 320],
    category: 'storage',
    tags: ['heavy', 'bulky'],
    flags: { ownDeliveryEur: 24.5 },
  },
  {
    id: 'kite-book',
    name: 'Wind, line and sail (printed book)',
    eur: 27.5,
    grams: 780,
    mm: [270, 210, 25],
    category: 'books',
    flags: { taxClass: 'reduced' },
  },
  {
    id: 'sticker-sheet',
    name: 'Sticker sheet',
    eur: 2.5,
    grams: 10,
    mm: [210, 148, 1],
    category: 'books',
    flags: { shipsFree: true, taxClass: 'reduced' },
  },
  {
    id: 'gift-card-25',
    name: 'Gift card 25',
    eur: 25,
    grams: null,
    mm: null,
    category: 'gift-cards',
    flags: { needsDelivery: false, countsTowardGoals: false },
  },
  {
    id: 'gift-card-50',
    name: 'Gift card 50',
    eur: 50,
    grams: null,
    mm: null,
    category: 'gift-cards',
    flags: { needsDelivery: false, countsTowardGoals: false },
  },
  {
    id: 'plan-box',
    name: 'Building plan: box kite (download)',
    eur: 7.95,
    grams: null,
    mm: null,
    category: 'plans',
    flags: { needsDelivery: false },
  },
  {
    id: 'plan-delta',
    name: 'Building plan: delta kite (download)',
    eur: 6.95,
    grams: null,
    mm: null,
    category: 'plans',
    flags: { needsDelivery: false },
  },
];

export const demoProducts: Product[] = rows.map((row, index) => ({
  id: row.id,
  sku: `GK-${String(1001 + index)}`,
  name: row.name,
  prices: row.follows ? { ...pricesFrom(row.eur), ...followingPrices(row.eur) } : pricesFrom(row.eur),
  taxClass: row.flags?.taxClass ?? 'standard',
  preparationDays: row.flags?.preparationDays ?? 0,
  notTo: row.flags?.notTo ?? [],
  weightGrams: row.grams,
  sizeMm: row.mm,
  categories: [row.category],
  tags: row.tags ?? [],
  needsDelivery: row.flags?.needsDelivery ?? true,
  countsTowardGoals: row.flags?.countsTowardGoals ?? true,
  shipsFree: row.flags?.shipsFree ?? false,
  ownDelivery: row.flags?.ownDeliveryEur ? pricesFrom(row.flags.ownDeliveryEur) : null,
}));
