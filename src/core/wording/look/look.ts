import type { Look, Policy } from '../../policy/types.ts';
import { contrastRatio, leastContrast, readableOn, type HexColour } from './contrast.ts';

/** How strip and bar are drawn as long as the store has said nothing of its own. */
export const builtInLook: Look = {
  style: 'filled',
  colours: { ground: '#1d3b4a', ink: '#fdfbf6', bar: '#f28a4b' },
  position: 'top',
  closable: false,
};

export const lookOf = (policy: Policy): Look => policy.look ?? builtInLook;

/** What the ruled style stands on: the shop's own paper. */
const shopPaper: HexColour = '#ffffff';

/** The colours as a style uses them: a ruled strip is written on paper, in the colour that the others are filled with. */
export function coloursOf({ style, colours: { ground, ink, bar } }: Look): {
  ground: HexColour;
  ink: HexColour;
  bar: HexColour;
  rule: HexColour;
} {
  return style === 'ruled' ? { ground: shopPaper, ink: ground, bar, rule: ground } : { ground, ink, bar, rule: ground };
}

/** Whether a strip counts down to the end of the offer that leads. @param deadline ms since 1970-01-01T00:00Z @param now the same */
export function countsDown({ countdownWithin }: Look, deadline: number | null, now: number): deadline is number {
  return countdownWithin !== undefined && deadline !== null && deadline - now <= countdownWithin * 86_400_000;
}

/** One pair of colours that must stand out from each other. */
interface ContrastFinding {
  what: 'text' | 'bar';
  ratio: number;
  least: number;
  enough: boolean;
  /** the stored colour that is at fault, and what would be enough */
  mend: { colour: keyof Look['colours']; to: HexColour };
}

/** Contrast of text and of the bar's filled part on the ground, as WCAG 2.2 asks for at level AA. */
export function contrastsOf(look: Look): ContrastFinding[] {
  const { ground, ink, bar } = coloursOf(look);
  const judge = (
    what: ContrastFinding['what'],
    colour: HexColour,
    stored: keyof Look['colours'],
    least: number,
  ): ContrastFinding => {
    const ratio = contrastRatio(ground, colour);
    return {
      what,
      ratio,
      least,
      enough: ratio >= least,
      mend: { colour: stored, to: readableOn(ground, colour, least) },
    };
  };
  return [
    judge('text', ink, look.style === 'ruled' ? 'ground' : 'ink', leastContrast.text),
    judge('bar', bar, 'bar', leastContrast.part),
  ];
}
