import type { GoodsSelection } from '../../../core/policy/types.ts';
import { GoodsChoice } from '../../conditions/first-words.tsx';

/** “of all goods that count”, until goods are chosen. */
export function GoodsOnly({ number, choose }: { number: number; choose: (goods: GoodsSelection) => void }) {
  return (
    <GoodsChoice
      label={`of …: goods that goal ${number} counts`}
      shown="of …"
      choose={(field, word) => choose({ [field]: [word] })}
    />
  );
}
