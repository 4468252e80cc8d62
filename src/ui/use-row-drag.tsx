import { useState, type DragEvent, type KeyboardEvent } from 'react';

/**
 * Rows put into another order: dragged by their handle onto another row, or moved by Alt with the arrow keys.
 * @param ids of the rows as they stand
 * @param move puts a row some places further
 */
export function useRowDrag(ids: readonly string[], move: (id: string, by: number) => void) {
  const [dragged, setDragged] = useState<string | null>(null);
  const drop = (onto: string) => {
    if (dragged !== null && dragged !== onto) move(dragged, ids.indexOf(onto) - ids.indexOf(dragged));
    setDragged(null);
  };
  return {
    /** a row on which others may be dropped */
    rowOf: (id: string) => ({
      'data-drop': dragged !== null && dragged !== id,
      onDragOver: (event: DragEvent) => dragged !== null && event.preventDefault(),
      onDrop: () => drop(id),
    }),
    handleOf: (id: string) => (
      <span
        className="cursor-grab px-1 text-faint"
        draggable
        onDragStart={() => setDragged(id)}
        onDragEnd={() => setDragged(null)}
        title="Drag to another place"
        data-testid={`drag-${id}`}
        aria-hidden
      >
        ⠿
      </span>
    ),
    onKeyOf: (id: string) => (event: KeyboardEvent) => {
      if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
      event.preventDefault();
      move(id, event.key === 'ArrowUp' ? -1 : 1);
    },
    /** up and down, for those who neither drag nor know the keys */
    arrowsOf: (id: string, name: string) => (
      <span className="flex">
        <button
          type="button"
          className="quiet-button !px-0.5 text-soft"
          disabled={ids[0] === id}
          onClick={() => move(id, -1)}
          aria-label={`${name} up`}
          aria-keyshortcuts="Alt+ArrowUp"
        >
          ↑
        </button>
        <button
          type="button"
          className="quiet-button !px-0.5 text-soft"
          disabled={ids.at(-1) === id}
          onClick={() => move(id, 1)}
          aria-label={`${name} down`}
          aria-keyshortcuts="Alt+ArrowDown"
        >
          ↓
        </button>
      </span>
    ),
  };
}
