import { formatMoney } from '../../../money/format.ts';
import { numberFact } from '../../forms/number.ts';

export const lifetimeSpend = numberFact('shopper.lifetimeSpend', {
  about: 'The shopper',
  name: 'has spent so far',
  also: 'lifetime value turnover total spend',
  called: 'the shopper’s spend so far',
  of: ({ shopper }) => shopper.lifetimeSpend,
  usual: 10_000,
  write: (amount, { policy }) => formatMoney(amount, policy.store.baseCurrency, 'en-GB'),
});
