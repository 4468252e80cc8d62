/** sRGB, as `#rrggbb`. */
export type HexColour = string;

const channels = (colour: HexColour): number[] => [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16));

/** Relative luminance of an sRGB colour, 0 to 1. Source: WCAG 2.2, “relative luminance”. */
function relativeLuminance(colour: HexColour): number {
  const [red, green, blue] = channels(colour).map((value) => {
    const share = value / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!;
}

/** How much two colours stand out from each other, 1 to 21. Source: WCAG 2.2, “contrast ratio”. */
export function contrastRatio(one: HexColour, other: HexColour): number {
  const [low, high] = [relativeLuminance(one), relativeLuminance(other)].sort((a, b) => a - b);
  return (high! + 0.05) / (low! + 0.05);
}

/** The least contrast of text (WCAG 2.2, 1.4.3, level AA) and of parts that carry meaning without text (1.4.11). */
export const leastContrast = { text: 4.5, part: 3 } as const;

/** A colour made darker or lighter, whichever needs less, until it stands out enough from a ground; itself when it does. */
export function readableOn(ground: HexColour, colour: HexColour, least: number): HexColour {
  if (contrastRatio(ground, colour) >= least) return colour;
  for (let step = 1; step <= 100; step++) {
    for (const toward of [0, 255]) {
      const mixed = `#${channels(colour)
        .map((value) =>
          Math.round(value + ((toward - value) * step) / 100)
            .toString(16)
            .padStart(2, '0'),
        )
        .join('')}`;
      if (contrastRatio(ground, mixed) >= least) return mixed;
    }
  }
  return contrastRatio(ground, '#000000') >= contrastRatio(ground, '#ffffff') ? '#000000' : '#ffffff';
}
