/** The eight stops in working order, with the parts that each usually has. */
export const trail: readonly Stop[] = [
  {
    id: 'orders',
    name: 'Orders',
    parts: ['distribution', 'trial goal', 'bunches', 'percentiles', 'measured response', 'orders and rules'],
    also: 'past orders histogram average percentile import csv export peaks disagreement charged wrong read rules',
  },
  {
    id: 'markets',
    name: 'Markets',
    parts: ['countries', 'where would this go', 'this market', 'zones', 'currencies', 'the store'],
    also: 'country postcode zip region island currency tax vat language address',
  },
  {
    id: 'delivery',
    name: 'Delivery',
    parts: [
      'prices',
      'options',
      'this option',
      'rate sheet',
      'all zones',
      'every option',
      'products',
      'packing',
      'pick-up places',
      'calendars',
    ],
    also: 'shipping carrier rates weight price charge method pick-up courier',
  },
  {
    id: 'offers',
    name: 'Offers',
    parts: ['line', 'goals', 'this offer', 'best goals', 'effect', 'shoppers', 'conditions'],
    also: 'free delivery shipping threshold coupon code weekend promotion goal reward discount',
  },
  {
    id: 'wording',
    name: 'Wording',
    parts: ['texts', 'samples', 'notices'],
    also: 'message banner translation language progress bar strip copy',
  },
  {
    id: 'rehearse',
    name: 'Rehearse',
    parts: ['cart', 'tools', 'shop'],
    also: 'test order preview checkout simulate try why',
  },
  {
    id: 'release',
    name: 'Release',
    parts: [
      'changes',
      'release',
      'guarantees',
      'check-up',
      'surfaces',
      'texts for surfaces',
      'earlier releases',
      'compare',
    ],
    also: 'surfaces banner policy page feed structured data findings guarantees faults problems publish go live hand over roll back history compare reset',
  },
  {
    id: 'results',
    name: 'Results',
    parts: [
      'what happened',
      'figures',
      'order values',
      'week by week',
      'what else changed',
      'experiments',
      'charged otherwise',
    ],
    also: 'report outcome before after difference impact uplift experiment arm split test orders placed wrong price disagreement',
  },
];

interface Stop {
  id: StopId;
  name: string;
  parts: readonly string[];
  /** everyday words under which it is found */
  also: string;
}

/** Where one is: at a stop, or beside the trail. */
export type Place = StopId | 'connections' | 'account' | 'people' | 'audit' | 'health';

export type StopId = 'orders' | 'markets' | 'delivery' | 'offers' | 'wording' | 'rehearse' | 'release' | 'results';
