/** How the nth option is drawn: an Okabe–Ito colour, and a dash so that colour is never alone. */
const lines = [
  { stroke: 'stroke-option-1', fill: 'fill-option-1', dash: '' },
  { stroke: 'stroke-option-2', fill: 'fill-option-2', dash: '9 4' },
  { stroke: 'stroke-option-3', fill: 'fill-option-3', dash: '3 3' },
  { stroke: 'stroke-option-4', fill: 'fill-option-4', dash: '12 3 2 3' },
];

export function optionLine(index: number): { stroke: string; fill: string; dash: string } {
  return lines[index % lines.length]!;
}
