/** The eight stops in working order. `holds` says what an unbuilt one will be. */
export const trail = [
  { id: 'orders', name: 'Orders', built: false, holds: 'Past orders per market: how their value is really spread, where it bunches, and what a goal at each amount would cost and bring.' },
  { id: 'markets', name: 'Markets', built: false, holds: 'The countries, currencies, tax habits and languages the store sells in, and the zones inside them.' },
  { id: 'delivery', name: 'Delivery', built: false, holds: 'The delivery options of each zone, with their estimates and charges, and carrier quotes.' },
  { id: 'offers', name: 'Offers', built: true, holds: '' },
  { id: 'wording', name: 'Wording', built: false, holds: 'All texts that shoppers read, by state, place and language, side by side. Two states can be written at Offers already.' },
  { id: 'rehearse', name: 'Rehearse', built: true, holds: '' },
  { id: 'release', name: 'Release', built: true, holds: '' },
  { id: 'results', name: 'Results', built: false, holds: 'What happened after a release: order values before and after, delivery given away, and whether there are enough orders to tell.' },
] as const;

export type StopId = (typeof trail)[number]['id'];
