import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ChevronDown, ChevronUp, GripVertical } from 'lucide-react';
import {
  createContext,
  useContext,
  useId,
  useMemo,
  type ComponentProps,
  type KeyboardEvent,
  type ReactNode,
} from 'react';

/** What a list of rows hands to each of them. */
interface Rows {
  ids: readonly string[];
  nameOf: (id: string) => string;
  move: (id: string, by: number) => void;
  /** one under the other, and not running on like words */
  vertical: boolean;
}

const RowsHere = createContext<Rows | null>(null);

/** So that a click on the handle is no drag. px */
const leastDrag = 4;

/**
 * Rows that are put into another order: dragged by their handle with mouse, finger or pen; by the handle's keys, which say
 * what they do; by Alt with the arrows; or by two buttons.
 *
 * @param nameOf what a row is called where its move is announced
 * @param move puts a row some places further
 */
export function SortableRows({
  ids,
  nameOf,
  move,
  running,
  children,
}: {
  ids: readonly string[];
  nameOf: (id: string) => string;
  move: (id: string, by: number) => void;
  /** the rows run on like words in a line */
  running?: boolean;
  children: ReactNode;
}) {
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: leastDrag } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id)
      move(String(active.id), ids.indexOf(String(over.id)) - ids.indexOf(String(active.id)));
  };
  const vertical = !running;
  const rows = useMemo(() => ({ ids, nameOf, move, vertical }), [ids, nameOf, move, vertical]);
  const place = (of: string | number) => `place ${ids.indexOf(String(of)) + 1} of ${ids.length}`;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(String(active.id))} is taken up from ${place(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${nameOf(String(active.id))} would come to ${place(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `${nameOf(String(active.id))} is put down${over ? ` at ${place(over.id)}` : ''}.`,
    onDragCancel: ({ active }) => `${nameOf(String(active.id))} stays where it was.`,
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable: 'Space takes it up, arrows move it, Space puts it down, Escape leaves it where it was.',
        },
      }}
    >
      <SortableContext items={[...ids]} strategy={vertical ? verticalListSortingStrategy : rectSortingStrategy}>
        <RowsHere value={rows}>{children}</RowsHere>
      </SortableContext>
    </DndContext>
  );
}

/** What a row puts where it wants to be taken hold of. */
export interface RowTools {
  handle: ReactNode;
  /** up and down, for those who neither drag nor know the keys */
  arrows: ReactNode;
  /** Alt with the arrow keys moves the row */
  onKey: (event: KeyboardEvent) => void;
}

/** A row of the list around it. `still`: it keeps its place, and others are not put there. */
export function SortableRow({
  id,
  still = false,
  children,
  ...rest
}: Omit<ComponentProps<'li'>, 'id' | 'children'> & {
  id: string;
  still?: boolean;
  children: (tools: RowTools) => ReactNode;
}) {
  const { ids, nameOf, move, vertical } = useContext(RowsHere)!;
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id,
    disabled: still,
  });
  const name = nameOf(id);
  const moved = transform && { ...transform, x: vertical ? 0 : transform.x, scaleX: 1, scaleY: 1 };
  const arrow = (by: -1 | 1) => (
    <button
      type="button"
      className="btn btn-ghost btn-xs min-w-6 px-0.5 text-soft"
      disabled={(by < 0 ? ids[0] : ids.at(-1)) === id}
      onClick={() => move(id, by)}
      aria-label={`Move ${name} ${by < 0 ? 'up' : 'down'}`}
      aria-keyshortcuts={by < 0 ? 'Alt+ArrowUp' : 'Alt+ArrowDown'}
    >
      {by < 0 ? <ChevronUp size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
    </button>
  );
  return (
    <li
      {...rest}
      ref={setNodeRef}
      style={moved ? { transform: CSS.Transform.toString(moved), transition, zIndex: isDragging ? 1 : undefined } : {}}
    >
      {children({
        handle: (
          <button
            type="button"
            ref={setActivatorNodeRef}
            className="btn btn-ghost btn-xs min-w-6 cursor-grab touch-none px-0.5 text-faint"
            {...attributes}
            {...listeners}
            aria-label={`Drag ${name} to another place`}
            data-testid={`drag-${id}`}
          >
            <GripVertical size={14} aria-hidden />
          </button>
        ),
        arrows: (
          <span className="flex">
            {arrow(-1)}
            {arrow(1)}
          </span>
        ),
        onKey: (event) => {
          if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
          event.preventDefault();
          move(id, event.key === 'ArrowUp' ? -1 : 1);
        },
      })}
    </li>
  );
}
