import { alongLine, stepOf } from '../../../ui/arrow-keys.ts';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

/** A part of a staircase that is dragged along one direction, or moved by arrow keys: Shift for more, Alt for the least. */
export function Handle({
  direction,
  x,
  y,
  length,
  label,
  text,
  value,
  least,
  most,
  step,
  valueAt,
  show,
  commit,
  testId,
}: {
  direction: 'horizontal' | 'vertical';
  /** px; of an edge its foot, of a tread its middle */
  x: number;
  y: number;
  length: number;
  label: string;
  /** the value in words */
  text: string;
  value: number;
  least: number;
  most: number;
  step: number;
  /** the value at a place along the direction, px in the picture */
  valueAt: (px: number) => number;
  /** shows without saving; null ends it */
  show: (value: number | null) => void;
  commit: (value: number) => void;
  testId: string;
}) {
  const [dragged, setDragged] = useState<number | null>(null);
  const began = useRef(value);
  const horizontal = direction === 'horizontal';
  const clamp = (wanted: number) => Math.max(least, Math.min(most, wanted));
  const place = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    return clamp(valueAt(horizontal ? event.clientX - box.left : event.clientY - box.top));
  };
  const onKey = (event: KeyboardEvent) => {
    const by = alongLine(event.key) * stepOf(event, step);
    if (by === 0) return;
    event.preventDefault();
    const next = clamp(value + by);
    if (next !== value) commit(next);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={direction}
      aria-valuemin={least}
      aria-valuemax={Math.min(most, Number.MAX_SAFE_INTEGER)}
      aria-valuenow={value}
      aria-valuetext={text}
      className={`charge-handle ${horizontal ? 'cursor-ew-resize' : 'cursor-ns-resize'}`}
      data-dragged={dragged !== null}
      data-testid={testId}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        began.current = value;
        setDragged(value);
      }}
      onPointerMove={(event) => {
        if (dragged === null) return;
        const next = place(event);
        if (next === dragged) return;
        setDragged(next);
        show(next);
      }}
      onPointerUp={() => {
        if (dragged === null) return;
        setDragged(null);
        if (dragged === began.current) show(null);
        else commit(dragged);
      }}
      onPointerCancel={() => {
        setDragged(null);
        show(null);
      }}
      onKeyDown={onKey}
    >
      {horizontal ? (
        <>
          <rect x={x - 7} y={y - length} width={14} height={length + 12} fill="transparent" />
          <line x1={x} x2={x} y1={y - length} y2={y} className="grip" strokeDasharray="2 3" />
          <path d={`M${x - 5} ${y + 9}L${x} ${y + 1}L${x + 5} ${y + 9}Z`} className="knob" />
        </>
      ) : (
        <>
          <rect x={x - length / 2} y={y - 8} width={length} height={16} fill="transparent" />
          <line x1={x - 9} x2={x + 9} y1={y} y2={y} className="grip" strokeWidth={5} strokeLinecap="round" />
        </>
      )}
      {dragged !== null && (
        <text
          x={horizontal ? x + 6 : x + 14}
          y={horizontal ? y - length + 10 : y - 8}
          className="fill-ember"
          fontWeight={640}
        >
          {text}
        </text>
      )}
    </g>
  );
}
