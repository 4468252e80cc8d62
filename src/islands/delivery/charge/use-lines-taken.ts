import { useMemo } from 'react';
import type { TraceNode } from '../../../core/trace/trace.ts';
import { rehearse, whyUnavailable } from '../../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../../page/page-context.tsx';

/** The lines of an option's charge that a test cart takes, and in words where it takes none. Null without a cart. */
export function useLinesTaken(
  optionId: string,
  cartId: string | null,
): { lines: ReadonlySet<string>; said: string } | null {
  const policy = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const cart = cartId === null ? undefined : policy.testCarts[cartId];
  return useMemo(() => {
    if (!cart) return null;
    const rehearsal = rehearse(compiled, catalogue, cart, now);
    const lines = new Set<string>();
    const visit = (node: TraceNode): void => {
      if (node.decision === 'chargeLine' && node.inputs.line?.kind === 'text') lines.add(node.inputs.line.text);
      node.children.forEach(visit);
    };
    const option = rehearsal
      .trace()
      ?.children.find(
        ({ decision, inputs }) => decision === 'option' && inputs.id?.kind === 'text' && inputs.id.text === optionId,
      );
    if (option) visit(option);
    const reason = rehearsal.evaluation.unavailable.find((one) => one.optionId === optionId)?.reason;
    const elsewhere = rehearsal.evaluation.zoneId !== policy.options[optionId]?.zone;
    return {
      lines,
      said: remark(elsewhere, reason, lines.size),
    };
  }, [cart, compiled, catalogue, now, optionId, policy.options]);
}

/** Why no line is lit, if so. */
function remark(elsewhere: boolean, reason: keyof typeof whyUnavailable | undefined, lines: number): string {
  if (elsewhere) return '(it goes to another zone)';
  if (reason) return `(not offered to it: ${whyUnavailable[reason]})`;
  return lines === 0 ? '(none)' : '';
}
