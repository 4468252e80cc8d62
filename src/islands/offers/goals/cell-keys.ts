import type { KeyboardEvent } from 'react';
import type { Edit } from '../../../client/edits/edit.ts';
import { fillTarget } from '../../../client/edits/offer-edits.ts';

type Move = 'down' | 'up' | 'right' | 'left';

/** @param whole the whole figure is chosen: arrows then lead out of it */
function moveOf({ key, shiftKey }: KeyboardEvent, whole: boolean): Move | null {
  if (key === 'ArrowDown' || (key === 'Enter' && !shiftKey)) return 'down';
  if (key === 'ArrowUp' || key === 'Enter') return 'up';
  if (!whole) return null;
  if (key === 'ArrowRight') return 'right';
  return key === 'ArrowLeft' ? 'left' : null;
}

function cellBeside(row: Element, cell: Element, move: Move): Element | null | undefined {
  if (move === 'right') return cell.nextElementSibling;
  if (move === 'left') return cell.previousElementSibling;
  const other = move === 'down' ? row.nextElementSibling : row.previousElementSibling;
  return other?.children[[...row.children].indexOf(cell)];
}

/** Up, down and Enter go from row to row; left and right from column to column where the whole figure is chosen, as it is when a cell is come to. */
export function moveAmongCells(event: KeyboardEvent<HTMLTableElement>) {
  const field = event.target;
  if (!(field instanceof HTMLInputElement) || event.altKey || event.ctrlKey || event.metaKey) return;
  const whole = field.selectionStart === 0 && field.selectionEnd === field.value.length;
  const move = moveOf(event, whole);
  if (!move) return;
  const row = field.closest('tr');
  const cell = field.closest('td');
  if (!row || !cell) return;
  const target = cellBeside(row, cell, move)?.querySelector('input');
  if (!target) return;
  event.preventDefault();
  target.focus();
}

/** Alt and right put a cell's goal into the next market, as that one's currency has it, and go there. */
export function fillAcross(event: KeyboardEvent<HTMLTableElement>, edit: (edit: Edit) => boolean) {
  const cell = (event.target as HTMLElement).closest('td');
  const next = cell?.nextElementSibling;
  if (!cell || !(next instanceof HTMLElement) || !next.dataset.market || !cell.dataset.market) return;
  event.preventDefault();
  const { offer, goal, market } = cell.dataset;
  // Leaving the field takes what has been typed in it first.
  next.querySelector('input')?.focus();
  edit(fillTarget(offer!, goal!, market, next.dataset.market));
}
