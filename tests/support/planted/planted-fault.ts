import type { Product } from '../../../src/core/catalogue/product.ts';
import type { SurfaceKnown } from '../../../src/core/check-up/kind.ts';
import type { Policy } from '../../../src/core/policy/types.ts';

/** Something that is wrong, risky or worth knowing, planted into the demo. */
export interface PlantedFault {
  kind: string;
  plant?: (policy: Policy) => void;
  products?: (products: Product[]) => void;
  /** how surfaces stand */
  surfaces?: Record<string, SurfaceKnown>;
  /** part of a sentence that is new */
  says: string;
  /** other kinds that the same fault brings with it */
  also?: string[];
}
