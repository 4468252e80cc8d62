/** The eight stops in working order. `holds` says what an unbuilt one will be. */
export const trail = [
  { id: 'orders', name: 'Orders', built: true, holds: '' },
  { id: 'markets', name: 'Markets', built: true, holds: '' },
  { id: 'delivery', name: 'Delivery', built: true, holds: '' },
  { id: 'offers', name: 'Offers', built: true, holds: '' },
  { id: 'wording', name: 'Wording', built: true, holds: '' },
  { id: 'rehearse', name: 'Rehearse', built: true, holds: '' },
  { id: 'release', name: 'Release', built: true, holds: '' },
  {
    id: 'results',
    name: 'Results',
    built: false,
    holds:
      'What happened after a release: order values before and after, delivery given away, and whether there are enough orders to tell.',
  },
] as const;

export type StopId = (typeof trail)[number]['id'];
