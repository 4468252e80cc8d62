import type { RefObject } from 'react';
import { savePng, saveSvg } from '../../page/save-file.ts';

/** Ways to save the chart in an element as a picture. */
export function picturesOf(
  picture: RefObject<HTMLDivElement | null>,
  name: string,
): { name: string; save: () => void }[] {
  const drawn = () => picture.current?.querySelector('svg') ?? null;
  return [
    {
      name: 'SVG',
      save: () => {
        const chart = drawn();
        if (chart) saveSvg(name, chart);
      },
    },
    {
      name: 'PNG',
      save: () => {
        const chart = drawn();
        if (chart) void savePng(name, chart);
      },
    },
  ];
}
