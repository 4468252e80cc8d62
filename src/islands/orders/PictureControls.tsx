import type { RefObject } from 'react';
import { toDecimal } from '../../core/money/decimal.ts';
import type { Outcome } from '../../core/orders/candidates.ts';
import { bands, beyondBands } from '../../core/orders/distribution.ts';
import { niceStep } from '../../core/orders/nice-step.ts';
import { SaveAs } from '../../ui/SaveAs.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { parseGoal } from '../fields/goal-field.ts';
import { saveCsv, savePng, saveSvg } from '../page/save-file.ts';
import type { Moving } from './moving/use-moving.ts';
import type { MarketOrders } from './use-market-orders.ts';

/** What the picture shows. */
interface Shown {
  marketId: string;
  currency: string;
  study: MarketOrders['study'];
  band: number;
  /** null: another question is asked */
  curve: readonly Outcome[] | null;
  /** null: none is moved */
  moving: Moving | null;
}

export function savesOf(
  picture: RefObject<SVGSVGElement | null>,
  { marketId, currency, study, band, curve, moving }: Shown,
): { name: string; save: () => void }[] {
  const name = `orders-${marketId}`;
  const write = writerOf(currency);
  const beyond = beyondBands(study.tally, band, study.end);
  return [
    {
      name: 'bands CSV',
      save: () =>
        saveCsv(
          `${name}-bands`,
          [`from, ${currency}`, `to below, ${currency}`, 'orders'],
          [
            ...bands(study.tally, band, study.end).map(({ from, to, orders }) => [write(from), write(to), orders]),
            ...(beyond.orders > 0 ? [[write(beyond.from), '', beyond.orders]] : []),
          ],
        ),
    },
    {
      name: 'density CSV',
      save: () =>
        saveCsv(
          `${name}-density`,
          [`value, ${currency}`, `orders for each ${toDecimal(1, currency)} ${currency}`],
          [...(study.density?.heights ?? [])].map((height, i) => [write(i * study.density!.step), height]),
        ),
    },
    ...(curve ? [candidatesCsv(name, currency, curve)] : []),
    ...(moving ? [movesCsv(name, currency, moving)] : []),
    { name: 'SVG', save: () => picture.current && saveSvg(name, picture.current) },
    { name: 'PNG', save: () => picture.current && void savePng(name, picture.current) },
  ];
}

const writerOf = (currency: string) => (minor: number) => toDecimal(Math.round(minor), currency);
const asShare = (share: number) => Math.round(share * 10_000) / 10_000;

function candidatesCsv(name: string, currency: string, curve: readonly Outcome[]): { name: string; save: () => void } {
  const write = writerOf(currency);
  return {
    name: 'candidates CSV',
    save: () =>
      saveCsv(
        `${name}-candidates`,
        ['goal', 'cost', 'gain', 'net', 'net low', 'net high']
          .map((figure) => `${figure}, ${currency}`)
          .concat('share reaching it'),
        curve.map(({ goals, cost, gain, net, low, high, qualifying }) => [
          write(goals[0]!.goal),
          ...[cost, gain, net, low, high].map(write),
          asShare(qualifying),
        ]),
      ),
  };
}

function movesCsv(name: string, currency: string, { asked, curve }: Moving): { name: string; save: () => void } {
  const write = writerOf(currency);
  const pieces = asked.goal.measure === 'items';
  const amount = (candidate: number | null) => {
    if (candidate === null) return 'none';
    return pieces ? String(candidate) : write(candidate);
  };
  return {
    name: 'moves CSV',
    save: () =>
      saveCsv(
        `${name}-moves`,
        [
          pieces ? 'goal, pieces' : `goal, ${currency}`,
          ...['net', 'net low', 'net high', 'delivery', 'margin', 'own cost saved'].map(
            (figure) => `${figure}, ${currency}`,
          ),
          'orders losing free delivery',
          'orders gaining it',
          'share reaching it',
        ],
        [...curve.along, ...(curve.dropped ? [curve.dropped] : [])].map((move) => [
          amount(move.candidate),
          ...[move.net, move.low, move.high, move.delivery, move.margin, move.saved].map(write),
          Math.round(move.losing * 10) / 10,
          Math.round(move.gaining * 10) / 10,
          asShare(move.reaching),
        ]),
      ),
  };
}

/** How wide the bands of the picture are, and what of it can be kept. */
export function BandControl({
  currency,
  band,
  suggested,
  end,
  show,
  set,
  save,
}: {
  currency: string;
  band: number;
  suggested: number;
  end: number;
  show: (value: number | null) => void;
  set: (value: number | null) => void;
  save: { name: string; save: () => void }[];
}) {
  const narrowest = Math.max(1, niceStep(end / 400));
  const widest = Math.max(narrowest * 2, niceStep(end / 8));
  const label = `Width of the bands, ${currency}`;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 pb-1">
      <label className="flex items-center gap-2">
        bands of
        <input
          type="range"
          className="w-32 accent-primary"
          min={narrowest}
          max={widest}
          step={narrowest}
          value={band}
          aria-label={label}
          aria-valuetext={toDecimal(band, currency)}
          onChange={(event) => show(Number(event.target.value))}
          onPointerUp={() => set(band)}
          onKeyUp={() => set(band)}
          data-testid="band-range"
        />
      </label>
      <span>
        <TypedField
          label={label}
          shown={toDecimal(band, currency)}
          parse={(text) => parseGoal(text, currency, false)}
          show={(value) => show(typeof value === 'number' ? Math.max(narrowest, value) : null)}
          commit={(value) => value !== null && set(Math.max(narrowest, value))}
          testId="band-width"
        />{' '}
        {currency}
      </span>
      {band !== suggested && (
        <button type="button" className="btn btn-xs" onClick={() => set(null)}>
          as the orders suggest
        </button>
      )}
      <span className="ml-auto">
        <SaveAs what="the picture’s" forms={save} />
      </span>
    </div>
  );
}
