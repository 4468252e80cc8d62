import { useEffect, useState } from 'react';

/** What the demo shop is set in; its 14 px type. */
const shopFont = '14px "Source Sans 3 Variable", "Noto Sans Arabic Variable", "Noto Sans JP Variable", sans-serif';

/** Measures text in the shop's font, in px; null until that can be done. */
export function useTextWidth(): ((piece: string) => number) | null {
  const [measure, setMeasure] = useState<((piece: string) => number) | null>(null);
  useEffect(() => {
    let here = true;
    void document.fonts.ready.then(() => {
      const pen = document.createElement('canvas').getContext('2d');
      if (!here || !pen) return;
      pen.font = shopFont;
      setMeasure(() => (piece: string) => pen.measureText(piece).width);
    });
    return () => {
      here = false;
    };
  }, []);
  return measure;
}
