import { memo, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { continents } from '../../core/geography/continent.ts';
import { countryName } from '../page/place-names.ts';
import type { Coverage, MarketMark } from './market-marks.ts';

/** Countries in the order of the board. */
const all = continents.flatMap(({ countries }) => countries);
const indexOf = new Map(all.map((code, index) => [code, index]));

const between = (a: string, b: string): string[] => {
  const [from, to] = [indexOf.get(a)!, indexOf.get(b)!].sort((x, y) => x - y) as [number, number];
  return all.slice(from, to + 1);
};

/**
 * Every country of the world by continent, labelled by its market. A click gives a country to the chosen market, or takes it
 * out again; a drag, or Shift with a click or the arrows, gives a whole run of them.
 */
export function CoverageBoard({
  coverage,
  marketId,
  locale,
  found,
  assign,
  look,
}: {
  coverage: Coverage;
  marketId: string | null;
  locale: string;
  /** countries that a search has found; null while nothing is searched */
  found: ReadonlySet<string> | null;
  assign: (countries: readonly string[], out: boolean) => void;
  /** the country that is pointed at or has the focus */
  look: (code: string | null) => void;
}) {
  const [at, setAt] = useState(all[0]!);
  const [run, setRun] = useState<{ from: string; to: string } | null>(null);
  const dragging = useRef<string | null>(null);
  const board = useRef<HTMLDivElement>(null);
  const covered = useMemo(() => new Set(run ? between(run.from, run.to) : []), [run]);

  const finish = (from: string, to: string) => {
    setRun(null);
    dragging.current = null;
    if (from === to) assign([from], coverage.named.get(from)?.id === marketId);
    else assign(between(from, to), false);
  };
  const codeAt = (event: { target: EventTarget }) =>
    event.target instanceof Element
      ? (event.target.closest('[data-country]')?.getAttribute('data-country') ?? null)
      : null;
  const onDown = (event: PointerEvent) => {
    const code = codeAt(event);
    if (!code || event.button !== 0) return;
    event.preventDefault();
    board.current?.querySelector<HTMLElement>(`[data-country=${code}]`)?.focus();
    const from = event.shiftKey ? at : code;
    dragging.current = from;
    setRun({ from, to: code });
  };
  const onMove = (event: PointerEvent) => {
    const code = codeAt(event);
    look(code);
    if (dragging.current && code && run?.to !== code) setRun({ from: dragging.current, to: code });
  };
  const onUp = () => {
    if (!dragging.current || !run) return;
    setAt(run.to);
    finish(run.from, run.to);
  };
  const onKey = (event: KeyboardEvent) => {
    const steps: Record<string, () => string | undefined> = {
      ArrowRight: () => all[indexOf.get(at)! + 1],
      ArrowLeft: () => all[indexOf.get(at)! - 1],
      ArrowDown: () => nearest(board.current, at, 1),
      ArrowUp: () => nearest(board.current, at, -1),
      Home: () => all[0],
      End: () => all.at(-1),
    };
    const step = steps[event.key];
    if (step) {
      const next = step();
      if (next) {
        setRun(event.shiftKey ? { from: run?.from ?? at, to: next } : null);
        setAt(next);
        look(next);
        board.current?.querySelector<HTMLElement>(`[data-country=${next}]`)?.focus();
      }
    } else if (event.key === 'Enter' || event.key === ' ') finish(run?.from ?? at, run?.to ?? at);
    else if (event.key === 'Escape' && run) setRun(null);
    else return;
    event.preventDefault();
  };

  return (
    <div
      ref={board}
      className="grid touch-pan-y grid-cols-[max-content_minmax(0,1fr)] gap-x-2.5 gap-y-1 select-none"
      role="group"
      aria-label="Countries by continent"
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerLeave={() => (look(null), dragging.current && (setRun(null), (dragging.current = null)))}
      onKeyDown={onKey}
      data-testid="coverage-board"
    >
      {continents.map(({ id, name, countries }) => (
        <div key={id} className="contents">
          <p className="pt-0.5 text-right text-fine text-soft">{name}</p>
          <div className="flex flex-wrap gap-[2px]">
            {countries.map((code) => (
              <Country
                key={code}
                code={code}
                name={countryName(code, locale)}
                mark={coverage.named.get(code) ?? coverage.elsewhere}
                named={coverage.named.has(code)}
                chosen={coverage.named.get(code)?.id === marketId}
                inRun={covered.has(code)}
                faded={found !== null && !found.has(code)}
                reachable={code === at}
              />
            ))}
          </div>
        </div>
      ))}
    </div>
  );
}

/** The country whose place on the board is nearest in the line above or below. */
function nearest(board: HTMLElement | null, code: string, direction: 1 | -1): string | undefined {
  const cells = [...(board?.querySelectorAll<HTMLElement>('[data-country]') ?? [])];
  const here = cells.find((cell) => cell.dataset.country === code)?.getBoundingClientRect();
  if (!here) return undefined;
  const beyond = cells
    .map((cell) => ({ cell, box: cell.getBoundingClientRect() }))
    .filter(({ box }) => (direction > 0 ? box.top > here.top + 2 : box.top < here.top - 2));
  const line =
    direction > 0 ? Math.min(...beyond.map(({ box }) => box.top)) : Math.max(...beyond.map(({ box }) => box.top));
  const inLine = beyond
    .filter(({ box }) => Math.abs(box.top - line) < 2)
    .sort((a, b) => Math.abs(a.box.left - here.left) - Math.abs(b.box.left - here.left));
  return inLine[0]?.cell.dataset.country;
}

const Country = memo(function Country({
  code,
  name,
  mark,
  named,
  chosen,
  inRun,
  faded,
  reachable,
}: {
  code: string;
  name: string;
  mark: MarketMark | null;
  /** by its market, not only taken by the one for all others */
  named: boolean;
  chosen: boolean;
  inRun: boolean;
  faded: boolean;
  reachable: boolean;
}) {
  const byMarket = mark ? 'elsewhere' : 'gap';
  return (
    <button
      type="button"
      className="country"
      data-country={code}
      data-tint={named ? mark?.tint : undefined}
      data-covered={named ? 'named' : byMarket}
      data-chosen={chosen}
      data-in-run={inRun}
      data-faded={faded}
      tabIndex={reachable ? 0 : -1}
      title={name}
      aria-pressed={chosen}
    >
      {code}
      {named && <span className="number">{mark?.number}</span>}
      <span className="sr-only">{` ${name}, ${mark ? `${mark.name}${named ? '' : ', with all others'}` : 'in no market'}`}</span>
    </button>
  );
});
