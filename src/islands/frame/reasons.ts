import { sentenceOf, type TraceNode } from '../../core/trace/trace.ts';
import type { Reason } from '../../ui/Why.tsx';

/** A trace as sentences, amounts written for the reader. */
export function reasonOf(trace: TraceNode, writeMoney: (minor: number) => string): Reason {
  return { sentence: sentenceOf(trace, writeMoney), children: trace.children.map((child) => reasonOf(child, writeMoney)) };
}

/** The reason of one option's price, with the place and the measures it rests on. */
export function reasonOfOption(trace: TraceNode | null, optionId: string, writeMoney: (minor: number) => string): Reason | null {
  if (!trace) return null;
  const ofOption = trace.children.find((child) => child.decision === 'option' && child.inputs.id?.kind === 'text' && child.inputs.id.text === optionId);
  if (!ofOption) return null;
  const ground = trace.children.filter((child) => child.decision === 'place' || child.decision === 'measures');
  const option = reasonOf(ofOption, writeMoney);
  return { sentence: option.sentence, children: [...option.children, ...ground.map((child) => reasonOf(child, writeMoney))] };
}
