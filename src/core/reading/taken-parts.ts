import type { ProposedRules } from './proposed-rules.ts';
import type { ReadMarket } from './read-store.ts';

/** Kinds of parts that a proposal is taken over by. */
type PartKind = 'market' | 'option' | 'goal' | 'area' | 'code';

/** Names a part of a proposal: of its market, its kind, and what it is called there. */
export type PartKey = `${string} ${PartKind} ${string}`;

export const partKey = (
  { currency, countries }: Pick<ReadMarket, 'currency' | 'countries'>,
  kind: PartKind,
  name: string | number = '',
): PartKey => `${currency}-${countries[0] ?? ''} ${kind} ${name}`;

/**
 * Proposals without the parts that are left out: a market left out goes with all that is in it, and a goal that none of the options
 * left has goes too.
 */
export function takenParts(proposals: readonly ProposedRules[], left: ReadonlySet<PartKey>): ProposedRules[] {
  return proposals.flatMap((proposal) => {
    const { market } = proposal;
    if (left.has(partKey(market, 'market'))) return [];
    const stays = (kind: PartKind, name: string | number) => !left.has(partKey(market, kind, name));
    const options = proposal.options.filter(({ option }) => stays('option', option));
    const there = new Set(options.map(({ option }) => option));
    const goals = proposal.goals
      .filter(({ from }) => stays('goal', from))
      .map((goal) => ({ ...goal, options: goal.options.filter((option) => there.has(option)) }))
      .filter((goal) => goal.options.length > 0);
    return [
      {
        ...proposal,
        options,
        goals,
        areas: proposal.areas.filter((_, i) => stays('area', i)),
        codes: proposal.codes.filter(({ code }) => stays('code', code)),
      },
    ];
  });
}
