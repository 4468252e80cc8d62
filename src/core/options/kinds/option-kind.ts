import type { OptionKind } from '../../policy/types.ts';

/** All that is known of one kind of delivery option. */
export interface OptionKindRecord {
  kind: OptionKind;
  /** one of them, in a sentence */
  called: string;
  /** several, where a reward chooses among kinds */
  several: string;
  /** whether the goods’ own delivery prices are paid */
  paysOwnDelivery: boolean;
  /** whether its charge is nothing where no goods are charged in the ordinary way */
  chargesGoodsOnly: boolean;
  /** whether the shopper comes for the goods: it may name a place with opening hours */
  isCollected: boolean;
}
