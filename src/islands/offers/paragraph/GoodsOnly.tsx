import { useState } from 'react';
import type { GoodsSelection } from '../../../core/policy/types.ts';
import { GoodsSearch } from '../../conditions/first-words.tsx';

/** “of all goods that count”, until goods are chosen. */
export function GoodsOnly({ number, choose }: { number: number; choose: (goods: GoodsSelection) => void }) {
  const [open, setOpen] = useState(false);
  if (open)
    return (
      <GoodsSearch
        close={() => setOpen(false)}
        choose={(field, word) => (choose({ [field]: [word] }), setOpen(false))}
      />
    );
  return (
    <button
      type="button"
      className="quiet-button !px-1 text-[13px] text-soft"
      aria-label={`of …: goods that goal ${number} counts`}
      onClick={() => setOpen(true)}
    >
      of …
    </button>
  );
}
