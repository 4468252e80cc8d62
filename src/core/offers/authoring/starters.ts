export interface StarterOffer {
  id: 'everyone' | 'twoPeaks' | 'membersSooner' | 'firstOrder' | 'threeItems' | 'faster' | 'campaign' | 'weekend';
  name: string;
  says: string;
}

/** Offers to begin with; every amount in them is a suggestion. */
export const starterOffers: readonly StarterOffer[] = [
  { id: 'everyone', name: 'one goal for everyone', says: 'parcels are delivered free from one amount on' },
  {
    id: 'twoPeaks',
    name: 'two goals for two peaks',
    says: 'half of the delivery from a lower amount, all of it from a higher one',
  },
  { id: 'membersSooner', name: 'members sooner', says: 'shoppers in the group “members” reach free delivery earlier' },
  { id: 'firstOrder', name: 'first order', says: 'half of the delivery on a shopper’s first order, once' },
  { id: 'threeItems', name: 'three items or more', says: 'delivery is free from three pieces on' },
  {
    id: 'faster',
    name: 'faster as a second reward',
    says: 'free parcels, and from a higher amount the faster option at the parcel’s price',
  },
  { id: 'campaign', name: 'code for a campaign', says: 'free delivery for whoever has the code, in all markets' },
  { id: 'weekend', name: 'weekend', says: 'a lower goal on Saturdays and Sundays' },
];
