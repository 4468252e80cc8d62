import { useCallback, type RefCallback } from 'react';
import type { Look } from '../../core/policy/types.ts';
import { coloursOf } from '../../core/wording/look/look.ts';

/** Gives a part of the page the shop's colours; our pages allow no style attributes, so they are set on the element. */
export function useLook(look: Look): RefCallback<HTMLElement> {
  const { ground, ink, bar, rule } = coloursOf(look);
  return useCallback(
    (part) => {
      for (const [name, colour] of [
        ['ground', ground],
        ['ink', ink],
        ['bar', bar],
        ['rule', rule],
      ] as const)
        part?.style.setProperty(`--look-${name}`, colour);
    },
    [ground, ink, bar, rule],
  );
}
