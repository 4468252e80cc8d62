/** A value in a trace, typed so that a reader can write it in their own locale and a program can recompute with it. */
export type TraceValue =
  | { kind: 'money'; minor: number }
  | { kind: 'number'; value: number }
  | { kind: 'percent'; decimal: string }
  | { kind: 'text'; text: string }
  | { kind: 'yes'; yes: boolean };

/**
 * One decision: what was decided, from which inputs, with what outcome, and the decisions it rests on.
 * `says` is an English sentence with {name} for each input and {outcome}.
 */
export interface TraceNode {
  decision: string;
  says: string;
  inputs: Record<string, TraceValue>;
  outcome: TraceValue;
  children: TraceNode[];
  /** what in the policy or the catalogue set it, when it is one thing */
  setBy?: TraceSource;
}

export interface TraceSource {
  kind: 'market' | 'zone' | 'option' | 'offer' | 'qualifier' | 'product';
  id: string;
}

export const money = (minor: number): TraceValue => ({ kind: 'money', minor });
export const number = (value: number): TraceValue => ({ kind: 'number', value });
export const text = (value: string): TraceValue => ({ kind: 'text', text: value });
export const yes = (value: boolean): TraceValue => ({ kind: 'yes', yes: value });
export const percent = (decimal: string): TraceValue => ({ kind: 'percent', decimal });
/** A fraction as a trace holds it: a percentage of which a program can recompute the fraction. */
export const fraction = ({
  numerator,
  denominator,
}: {
  numerator: number;
  denominator: number;
}): { numerator: TraceValue; denominator: TraceValue } => ({
  numerator: number(numerator),
  denominator: number(denominator),
});
export const node = (
  decision: string,
  says: string,
  inputs: Record<string, TraceValue>,
  outcome: TraceValue,
  children: TraceNode[] = [],
): TraceNode => ({ decision, says, inputs, outcome, children });

/** A node with what set it. @param source undefined: no one thing did */
export const setBy = (source: TraceSource | undefined, made: TraceNode): TraceNode =>
  source ? { ...made, setBy: source } : made;

/** The sentence of a node, amounts written by `writeMoney`. */
export function sentenceOf(trace: TraceNode, writeMoney: (minor: number) => string): string {
  const write = (value: TraceValue): string => {
    switch (value.kind) {
      case 'money':
        return writeMoney(value.minor);
      case 'number':
        return String(value.value);
      case 'percent':
        return `${value.decimal} %`;
      case 'text':
        return value.text;
      case 'yes':
        return value.yes ? 'yes' : 'no';
    }
  };
  return trace.says.replace(/\{(\w+)\}/g, (whole, name: string) => {
    const value = name === 'outcome' ? trace.outcome : trace.inputs[name];
    return value ? write(value) : whole;
  });
}
