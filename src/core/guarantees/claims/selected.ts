import { selectsOption } from '../../options/compile-option.ts';
import type { GuaranteeClaim, OptionSelection } from '../../policy/types.ts';
import type { Along } from '../look.ts';

/** An option that a claim is about, and where it stands among those of the zone. */
export interface Selected {
  index: number;
  name: string;
}

export const selectedIn = ({ zone }: Pick<Along, 'zone'>, on: OptionSelection): Selected[] =>
  zone.options.flatMap((option, index) =>
    selectsOption(on, option) ? [{ index, name: `“${option.option.name}”` }] : [],
  );

/** What a claim keeps of the one before it. */
export const keptOf = (before: GuaranteeClaim | null): { of: 'some' | 'each'; on: OptionSelection } => ({
  of: before && 'of' in before ? before.of : 'some',
  on: before && 'on' in before ? before.on : { by: 'all' },
});
