import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { NamePlace } from './pennant-names.ts';
import { clampGoal, keyMove, valueAt, type LineScale } from './scale.ts';

/** A goal on its pole: dragged along the line, or moved by keys. */
export function Pennant({
  scale,
  value,
  released,
  label,
  write,
  show,
  commit,
  aside,
}: {
  scale: LineScale;
  value: number;
  /** where the current release has it, if elsewhere */
  released: number | null;
  label: string;
  write: (minor: number) => string;
  show: (value: number) => void;
  commit: (value: number) => void;
  /** a goal beside the one looked at: small, known by its id, with its name where there is room */
  aside?: { id: string; name: NamePlace | null };
}) {
  const grabbed = useRef<{ offset: number; value: number } | null>(null);
  const keyed = useRef<{ value: number; timer: ReturnType<typeof setTimeout> } | null>(null);
  const x = scale.x(Math.min(value, scale.end));
  const text = write(value);
  const flagWidth = text.length * 6.6 + 18;
  const flagTop = scale.bottom - 36 - (aside?.name?.level ?? 0) * 14;
  const flagLeft = x - flagWidth < scale.left ? x : x - flagWidth;

  const place = (event: PointerEvent<SVGGElement>) =>
    event.clientX - event.currentTarget.ownerSVGElement!.getBoundingClientRect().left;
  const finishKeys = () => {
    if (!keyed.current) return;
    clearTimeout(keyed.current.timer);
    commit(keyed.current.value);
    keyed.current = null;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const move = event.ctrlKey || event.metaKey ? null : keyMove(scale, event);
    if (move === null) return;
    event.preventDefault();
    const from = keyed.current?.value ?? value;
    const onStep = event.altKey ? from + move : Math.round((from + move) / scale.step) * scale.step;
    const next = clampGoal(scale, onStep === from ? from + move : onStep);
    if (keyed.current) clearTimeout(keyed.current.timer);
    keyed.current = { value: next, timer: setTimeout(finishKeys, 500) };
    show(next);
  };

  return (
    <>
      {released !== null && released !== value && released <= scale.end && (
        <g data-testid="released-goal">
          <line
            x1={scale.x(released)}
            x2={scale.x(released)}
            y1={scale.top - 4}
            y2={scale.bottom}
            className="stroke-ember"
            strokeWidth="1"
            strokeDasharray="2 3"
          />
          <text
            x={scale.x(released) + (released > value ? 5 : -5)}
            y={scale.top + 4}
            textAnchor={released > value ? 'start' : 'end'}
            fontSize="12"
            className="fill-ember"
          >
            released {write(released)}
          </text>
        </g>
      )}
      <g
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={1}
        aria-valuemax={scale.end}
        aria-valuenow={value}
        aria-valuetext={text}
        data-testid={aside === undefined ? 'pennant' : `pennant-${aside.id}`}
        className="cursor-ew-resize touch-none [outline-offset:0px]"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          grabbed.current = { offset: place(event) - x, value };
        }}
        onPointerMove={(event) => {
          if (!grabbed.current) return;
          const next = clampGoal(
            scale,
            valueAt(scale, place(event) - grabbed.current.offset, event.altKey ? 1 : scale.step),
          );
          if (next === grabbed.current.value) return;
          grabbed.current.value = next;
          show(next);
        }}
        onPointerUp={() => {
          if (grabbed.current) commit(grabbed.current.value);
          grabbed.current = null;
        }}
        onPointerCancel={() => {
          if (grabbed.current) commit(grabbed.current.value);
          grabbed.current = null;
        }}
        onKeyDown={onKeyDown}
        onBlur={finishKeys}
      >
        {aside === undefined ? (
          <>
            <rect
              x={Math.min(flagLeft, x - 7)}
              y={2}
              width={flagWidth + 7}
              height={scale.bottom - 2}
              fill="transparent"
            />
            <line x1={x} x2={x} y1={6} y2={scale.bottom} className="stroke-base-content" strokeWidth="1.5" />
            <path
              d={flagLeft < x ? `M${x} 5H${flagLeft}l5 9-5 9H${x}z` : `M${x} 5h${flagWidth}l-5 9 5 9H${x}z`}
              className="fill-accent"
            />
            <text
              x={flagLeft + flagWidth / 2 + 1}
              y={18.5}
              textAnchor="middle"
              fontSize="12.5"
              fontWeight="650"
              className="fill-accent-content"
            >
              {text}
            </text>
            <circle cx={x} cy={scale.bottom} r="4.5" className="fill-accent stroke-base-100" strokeWidth="1.5" />
          </>
        ) : (
          <>
            <title>{`${label}: ${text}`}</title>
            <rect x={x - 6} y={flagTop - 4} width={18} height={scale.bottom - flagTop + 8} fill="transparent" />
            <line x1={x} x2={x} y1={flagTop} y2={scale.bottom} className="stroke-base-content" strokeWidth="1" />
            <path d={`M${x} ${flagTop}h11l-3 4 3 4H${x}z`} className="fill-base-100 stroke-accent" strokeWidth="1.2" />
            {aside.name && (
              <text
                x={aside.name.side === 'right' ? x + 14 : x - 5}
                y={flagTop + 8}
                textAnchor={aside.name.side === 'right' ? 'start' : 'end'}
                fontSize="11"
                className="fill-base-content [paint-order:stroke] [stroke-width:3px] [stroke:var(--color-base-100)]"
              >
                {aside.name.text}
              </text>
            )}
            <circle cx={x} cy={scale.bottom} r="3" className="fill-base-100 stroke-accent" strokeWidth="1.5" />
          </>
        )}
      </g>
    </>
  );
}
