import type { Policy } from '../../core/policy/types.ts';
import { sentenceOf, type TraceNode, type TraceSource } from '../../core/trace/trace.ts';
import type { Reason } from '../../ui/Why.tsx';

/** Where what a reason rests on is set and can be edited. */
function addressOf(policy: Policy, { kind, id }: TraceSource): string | undefined {
  switch (kind) {
    case 'market':
      return `/markets?market=${id}`;
    case 'zone':
      return policy.zones[id] && `/markets?market=${policy.zones[id].market}&zone=${id}`;
    case 'option': {
      const option = policy.options[id];
      const zone = option && policy.zones[option.zone];
      return zone && `/delivery?market=${zone.market}&zone=${option.zone}&option=${id}`;
    }
    case 'offer':
      return policy.offers[id] && `/offers?offer=${id}`;
    case 'qualifier':
      return policy.qualifiers[id] && `/offers?condition=${id}`;
    case 'product':
      return undefined;
  }
}

/** A trace as sentences, amounts written for the reader, each leading to what set it. */
function reasonOf(trace: TraceNode, policy: Policy, writeMoney: (minor: number) => string): Reason {
  const address = trace.setBy && addressOf(policy, trace.setBy);
  return {
    sentence: sentenceOf(trace, writeMoney),
    ...(address ? { address } : {}),
    children: trace.children.map((child) => reasonOf(child, policy, writeMoney)),
  };
}

/** The reason of one option's price, or of its absence, with the place and the measures it rests on. */
export function reasonOfOption(
  trace: TraceNode | null,
  optionId: string,
  policy: Policy,
  writeMoney: (minor: number) => string,
): Reason | null {
  if (!trace) return null;
  const ofOption = trace.children.find(
    (child) => child.decision === 'option' && child.inputs.id?.kind === 'text' && child.inputs.id.text === optionId,
  );
  if (!ofOption) return null;
  const common = trace.children.filter((child) => child.decision === 'zone' || child.decision === 'measures');
  const option = reasonOf(ofOption, policy, writeMoney);
  return { ...option, children: [...option.children, ...common.map((child) => reasonOf(child, policy, writeMoney))] };
}

/** The lines of a reason that another one does not have, with those above them; null when it has them all. */
export function onlyIn(reason: Reason, other: Reason): Reason | null {
  const sentencesOf = ({ sentence, children }: Reason): string[] => [sentence, ...children.flatMap(sentencesOf)];
  const known = new Set(sentencesOf(other));
  const kept = (one: Reason): Reason[] => {
    const children = one.children.flatMap(kept);
    return children.length > 0 || !known.has(one.sentence) ? [{ ...one, children }] : [];
  };
  return kept(reason)[0] ?? null;
}
