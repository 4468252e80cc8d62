import { call } from '../../client/http.ts';
import { csvOf } from '../../core/tabular/write-csv.ts';

/** Hands a file to the browser to save. */
export function saveFile(name: string, content: Blob): void {
  const address = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
  // It is kept who took what out. The file is there already, so nothing is said of it where that fails.
  void call('POST /api/exports', { body: { file: name.slice(0, 120) } });
}

export function saveCsv(
  name: string,
  heading: readonly string[],
  rows: Iterable<readonly (string | number | null)[]>,
): void {
  saveFile(`${name}.csv`, new Blob(['\ufeff', csvOf(heading, rows)], { type: 'text/csv;charset=utf-8' }));
}

const drawn = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-opacity',
  'fill-opacity',
  'opacity',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order',
];

/** A picture as it stands on the page, with colours and type written into it, so that it looks the same anywhere. */
function pictureText(picture: SVGSVGElement): string {
  const copy = picture.cloneNode(true) as SVGSVGElement;
  const originals = [picture, ...picture.querySelectorAll('*')];
  const copies = [copy, ...copy.querySelectorAll('*')];
  for (const [i, original] of originals.entries()) {
    const style = getComputedStyle(original);
    const element = copies[i]!;
    for (const name of drawn) {
      const value = style.getPropertyValue(name);
      if (value && value !== 'normal') element.setAttribute(name, value);
    }
    for (const name of [
      'class',
      'tabindex',
      'role',
      'data-testid',
      'aria-valuemin',
      'aria-valuemax',
      'aria-valuenow',
      'aria-valuetext',
    ])
      element.removeAttribute(name);
  }
  for (const element of copy.querySelectorAll('[data-hand]')) element.remove();
  const page = getComputedStyle(document.body);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('font-family', page.fontFamily.replaceAll('"', "'"));
  copy.setAttribute('viewBox', `0 0 ${picture.clientWidth} ${picture.clientHeight}`);
  const background = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of [
    ['width', '100%'],
    ['height', '100%'],
    ['fill', page.backgroundColor],
  ] as const)
    background.setAttribute(name, value);
  copy.prepend(background);
  return new XMLSerializer().serializeToString(copy);
}

export function saveSvg(name: string, picture: SVGSVGElement): void {
  saveFile(`${name}.svg`, new Blob([pictureText(picture)], { type: 'image/svg+xml' }));
}

/** At twice its size on the page, so that it stays sharp in print. */
export async function savePng(name: string, picture: SVGSVGElement): Promise<void> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(pictureText(picture))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = picture.clientWidth * 2;
  canvas.height = picture.clientHeight * 2;
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  const content = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (content) saveFile(`${name}.png`, content);
}

/** Ways to save the chart that is drawn in an element; nothing is saved before it is drawn. */
export function picturesOf(
  element: { readonly current: Element | null },
  name: string,
): { name: string; save: () => void }[] {
  const chart = () => element.current?.querySelector<SVGSVGElement>('svg.recharts-surface') ?? null;
  const saveAs = (save: (picture: SVGSVGElement) => void) => () => {
    const drawn = chart();
    if (drawn) save(drawn);
  };
  return [
    { name: 'SVG', save: saveAs((drawn) => saveSvg(name, drawn)) },
    { name: 'PNG', save: saveAs((drawn) => void savePng(name, drawn)) },
  ];
}
