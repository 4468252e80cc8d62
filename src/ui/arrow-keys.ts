/** Where an arrow key leads along one line: right and up are forward. 0 for other keys. */
export function alongLine(key: string): 1 | 0 | -1 {
  if (key === 'ArrowRight' || key === 'ArrowUp') return 1;
  return key === 'ArrowLeft' || key === 'ArrowDown' ? -1 : 0;
}

/** How far an arrow key moves what is dragged: by the step, ten of it with Shift, by one with Alt. */
export function stepOf({ shiftKey, altKey }: { shiftKey: boolean; altKey: boolean }, step: number): number {
  if (altKey) return 1;
  return shiftKey ? step * 10 : step;
}
