import type { OptionKind } from '../../policy/types.ts';
import { Registry } from '../../registry.ts';
import { localDelivery } from './local-delivery.ts';
import type { OptionKindRecord } from './option-kind.ts';
import { parcel } from './parcel.ts';
import { pickUp } from './pick-up.ts';

/** Every kind of delivery option. */
export const optionKinds = new Registry<OptionKindRecord>('delivery option', ({ kind }) => kind, [
  parcel,
  pickUp,
  localDelivery,
]);

/** All that is known of an option's kind. */
export const optionKindOf = ({ kind }: { kind: OptionKind }): OptionKindRecord => optionKinds.of(kind);
