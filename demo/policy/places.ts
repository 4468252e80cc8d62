import type { Policy } from '../../src/core/policy/types.ts';
import { shop } from './zones.ts';

export const places: NonNullable<Policy['places']> = {
  shop: {
    order: 1,
    name: 'The kite shop',
    address: { street: 'Duinpad 3', postcode: '1799 ZA', town: 'Gustmoor', country: 'NL' },
    coordinates: shop,
    hours: {
      '2': [
        { from: '09:30', to: '12:30' },
        { from: '13:15', to: '17:30' },
      ],
      '3': [{ from: '09:30', to: '17:30' }],
      '4': [{ from: '09:30', to: '17:30' }],
      '5': [{ from: '09:30', to: '20:00' }],
      '6': [{ from: '10:00', to: '17:00' }],
    },
    instructions: {
      'nl-NL': 'Ophalen aan de balie naast de werkplaats.',
      'fr-BE': 'À retirer au comptoir, à côté de l’atelier.',
    },
  },
  warehouse: {
    order: 2,
    name: 'The warehouse',
    address: { street: '40 Pier Lane', postcode: '07001', town: 'Easthaven', country: 'US' },
    coordinates: { latitude: 40.7, longitude: -74.2 },
    timeZone: 'America/New_York',
    instructions: { 'en-US': 'Ring at door 4 and say your order number.' },
  },
};
