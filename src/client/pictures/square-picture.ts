/** Which part of a picture that is not square is kept. */
export type KeptPart = 'start' | 'middle' | 'end';

/** Dots of a side; twice what is drawn at checkout, for fine screens. */
const side = 192;
const mostBytes = 64 * 1024;
const mostRead = 10_000_000;
/** How long a picture may take to be drawn. ms */
const slowest = 10_000;

export type Squared = { ok: true; picture: Blob; square: boolean } | { ok: false; reason: string };

/**
 * Draws a picture anew as a square of dots, whatever it was: a drawing in SVG becomes dots, too, so that nothing of its program,
 * of its links or of a photograph’s particulars is kept.
 */
export async function squarePicture(file: Blob, part: KeptPart): Promise<Squared> {
  if (file.size > mostRead)
    return { ok: false, reason: `A picture has at most ${mostRead / 1_000_000} MB. Nothing was kept.` };
  if (!file.type.startsWith('image/')) return { ok: false, reason: 'That is no picture. Nothing was kept.' };
  const image = await loaded(file);
  if (image === null) return { ok: false, reason: 'The picture could not be read. Nothing was kept.' };
  // A drawing that states no size is as large as it is drawn.
  const [width, height] = [image.naturalWidth || side, image.naturalHeight || side];
  const cut = Math.min(width, height);
  const share = { start: 0, middle: 0.5, end: 1 }[part];
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = side;
  const pen = canvas.getContext('2d');
  if (!pen) return { ok: false, reason: 'This browser cannot draw it. Nothing was kept.' };
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(image, (width - cut) * share, (height - cut) * share, cut, cut, 0, 0, side, side);
  for (const [type, quality] of [['image/png'], ['image/webp', 0.9], ['image/webp', 0.6]] as const) {
    const picture = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, type, quality));
    if (picture && picture.type === type && picture.size <= mostBytes)
      return { ok: true, picture, square: width === height };
  }
  return { ok: false, reason: 'The picture stays larger than 64 kB. Nothing was kept.' };
}

/** As an image of the page, in which nothing runs and for which nothing else is fetched; null where it is none. */
async function loaded(file: Blob): Promise<HTMLImageElement | null> {
  const address = await new Promise<string | null>((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(typeof reader.result === 'string' ? reader.result : null);
    reader.onerror = () => resolve(null);
    reader.readAsDataURL(file);
  });
  if (address === null) return null;
  return new Promise((resolve) => {
    const image = new Image();
    const late = setTimeout(() => resolve(null), slowest);
    const done = (found: HTMLImageElement | null) => {
      clearTimeout(late);
      resolve(found);
    };
    image.onload = () => done(image);
    image.onerror = () => done(null);
    image.src = address;
  });
}
