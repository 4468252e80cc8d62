import type { TraceNode, TraceValue } from '../../src/core/trace/trace.ts';

/** A small program that knows nothing but a trace: recomputes an option's price from the amounts stated there. */
const plain = (value: TraceValue | undefined): number => {
  if (value?.kind === 'money') return value.minor;
  if (value?.kind === 'number') return value.value;
  return 0;
};
const isYes = (value: TraceValue | undefined): boolean => value?.kind === 'yes' && value.yes;
const word = (value: TraceValue | undefined): string => (value?.kind === 'text' ? value.text : '');
const childrenOf = (node: TraceNode, decision: string): TraceNode[] =>
  node.children.filter((child) => child.decision === decision);

/** amount × numerator ÷ denominator, half away from zero. */
function times(amount: number, numerator: number, denominator: number): number {
  const [a, n, d] = [BigInt(amount), BigInt(numerator), BigInt(denominator)];
  return Number((2n * a * n + d) / (2n * d));
}
const share = (amount: number, node: TraceNode): number =>
  times(amount, plain(node.inputs.numerator), plain(node.inputs.denominator));
const toIncrement = (amount: number, increment: number): number => times(amount, 1, increment) * increment;

function lineFromTrace(node: TraceNode): number {
  const { inputs } = node;
  if (word(inputs.kind) === 'quoted')
    return inputs.quote
      ? plain(inputs.quote) + share(plain(inputs.quote), node) + plain(inputs.marginFixed)
      : plain(inputs.fallback);
  let price: number;
  if (word(inputs.kind) === 'percent') price = share(plain(inputs.goods), node);
  else {
    price = plain(inputs.fixed);
    if (inputs.per)
      price += isYes(inputs.started)
        ? plain(inputs.amount) * Math.ceil(plain(inputs.beyond) / plain(inputs.per))
        : times(plain(inputs.amount), plain(inputs.beyond), plain(inputs.per));
  }
  price = Math.max(price, plain(inputs.min));
  return inputs.max ? Math.min(price, plain(inputs.max)) : price;
}

/** The charge of an option's trace. */
export function chargeFromTrace(charge: TraceNode): number {
  if (isYes(charge.inputs.nothingToCharge)) return 0;
  const prices = childrenOf(charge, 'chargeLine').map(lineFromTrace);
  const combined = {
    first: prices[0],
    sum: prices.reduce((a, b) => a + b, 0),
    highest: Math.max(...prices),
    lowest: Math.min(...prices),
  }[word(charge.inputs.combine)];
  const price = prices.length > 0 ? combined! : plain(charge.inputs.otherwise);
  const [handling] = childrenOf(charge, 'handling');
  if (!handling) return price;
  return price + (handling.inputs.amount ? plain(handling.inputs.amount) : share(price, handling));
}

interface Parts {
  base: number;
  own: number;
}
const whole = ({ base, own }: Parts) => base + own;

function rewardFromTrace(reward: TraceNode, parts: Parts): Parts {
  const { inputs } = reward;
  const covers = isYes(inputs.coversOwnDelivery);
  const subject = covers ? whole(parts) : parts.base;
  const wanted = {
    deliveryFree: () => 0,
    deliveryAt: () => plain(inputs.amount),
    deliveryLessPercent: () => subject - share(subject, reward),
    deliveryLessAmount: () => Math.max(0, subject - plain(inputs.amount)),
    upgrade: () => (covers ? plain(inputs.sourceBase) + plain(inputs.sourceOwn) : plain(inputs.sourceBase)),
  }[word(inputs.kind)]!();
  const off = subject - Math.min(subject, Math.max(0, wanted));
  return covers
    ? { base: Math.max(0, parts.base - off), own: parts.own - Math.max(0, off - parts.base) }
    : { base: parts.base - off, own: parts.own };
}

/** What is paid for parts: the cash increment once, at the end. */
export const paidFromTrace = (option: TraceNode, { base, own }: Parts): number =>
  toIncrement(base + own, plain(option.inputs.increment));

/** @param upgrades also apply upgrades, whose source is stated by its parts */
export function partsFromTrace(option: TraceNode, upgrades: boolean): { before: Parts; after: Parts } {
  const [charge] = childrenOf(option, 'charge');
  const before: Parts = { base: chargeFromTrace(charge!), own: plain(childrenOf(option, 'ownDelivery')[0]?.outcome) };
  const candidates: { parts: Parts; rank: number }[] = [];
  let together = null as { parts: Parts; rank: number } | null;
  const ranks = [...new Set(childrenOf(option, 'goal').map((goal) => plain(goal.inputs.rank)))];
  for (const rank of ranks) {
    const goals = childrenOf(option, 'goal').filter((goal) => plain(goal.inputs.rank) === rank);
    const rewards = goals
      .flatMap((goal) => childrenOf(goal, 'reward'))
      .filter((reward) => isYes(reward.inputs.applies) && (upgrades || word(reward.inputs.kind) !== 'upgrade'));
    if (rewards.length === 0) continue;
    const combines = isYes(goals[0]!.inputs.combines);
    let parts: Parts = combines && together ? together.parts : before;
    for (const reward of rewards) parts = rewardFromTrace(reward, parts);
    if (combines) together = { parts, rank: together?.rank ?? rank };
    else candidates.push({ parts, rank });
  }
  if (together) candidates.push(together);
  const best = candidates
    .filter(({ parts }) => whole(parts) < whole(before))
    .sort((a, b) => whole(a.parts) - whole(b.parts) || a.rank - b.rank)[0];
  return { before, after: best?.parts ?? before };
}

/** The tax that the trace's price contains, or that comes on top. */
export function taxFromTrace(option: TraceNode, contained: boolean): number {
  const [tax] = childrenOf(option, 'tax');
  const [numerator, denominator] = [plain(tax!.inputs.numerator), plain(tax!.inputs.denominator)];
  return times(plain(tax!.inputs.price), numerator, contained ? numerator + denominator : denominator);
}

/** A goods line: what it comes to before discounts, and after. */
export function lineValues(line: TraceNode): { before: number; after: number } {
  return { before: plain(line.inputs.quantity) * plain(line.inputs.price), after: plain(line.inputs.after) };
}

export const traceWord = word;
export const traceAmount = plain;
