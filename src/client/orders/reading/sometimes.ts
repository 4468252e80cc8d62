/** Told the share of something that has been done. */
export type TellShare = (share: number) => void;

/** Tells progress when it has moved by a hundredth, and its end. */
export function sometimes(tell: TellShare): TellShare {
  let last = -1;
  return (share) => {
    if (share - last < 0.01 && share < 1) return;
    last = share;
    tell(share);
  };
}
