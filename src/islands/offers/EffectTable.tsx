import { inOrder } from '../../core/ordered.ts';
import type { Replay } from '../../core/orders/replay/replay.ts';
import { Becomes } from '../../ui/Becomes.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { ReplayExamples } from './ReplayExamples.tsx';

/** What past orders of a market would pay now; of a sample as long as it is not whole. */
export interface MarketReplay {
  replay: Replay;
  whole: boolean;
}

/** Past orders replayed, market by market. */
export default function EffectTable({
  results,
  left,
}: {
  results: ReadonlyMap<string, MarketReplay>;
  /** why a market has none */
  left: ReadonlyMap<string, string>;
}) {
  const { markets } = usePolicy();
  const { money, locale } = useNotation();
  const count = new Intl.NumberFormat(locale);
  const replays = [...results.values()].map(({ replay }) => replay);
  const sum = (of: 'orders' | 'placed' | 'weighed' | 'without') =>
    replays.reduce((total, replay) => total + replay[of], 0);
  return (
    <div className="overflow-x-auto">
      <p className="text-small text-soft" data-testid="effect-known">
        {sum('orders') === 0
          ? 'There are no past orders yet. They are imported at Orders.'
          : `${count.format(sum('placed'))} of ${count.format(sum('orders'))} orders tell their postcode, ${count.format(sum('weighed'))} their weight.`}
        {sum('without') > 0 &&
          ` ${count.format(sum('without'))} are in none of the counts: before or now nothing could be chosen for them.`}
      </p>
      <table className="table table-xs" data-testid="effect-table">
        <thead>
          <tr className="border-b border-hairline text-soft">
            {[
              'Market',
              'Orders',
              'pay less',
              'pay more',
              'pay the same',
              'for delivery in all',
              'given away by offers',
              'for example',
            ].map((head, index) => (
              <th
                key={head}
                scope="col"
                className={`py-1 pr-4 font-normal ${index > 0 && index < 7 ? 'text-right' : ''}`}
              >
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {inOrder(markets).map(([id, { name, currency }]) => {
            const result = results.get(id);
            const reason = left.get(id);
            if (!result) return reason ? <LeftRow key={id} name={name} reason={reason} /> : null;
            const { replay, whole } = result;
            return (
              <tr
                key={id}
                className={`border-b border-hairline ${whole ? '' : 'text-soft'}`}
                data-testid={`effect-${id}`}
                data-whole={whole}
              >
                <th scope="row" className="py-1 pr-4 font-normal">
                  {name}
                </th>
                <td className="py-1 pr-4 text-right">
                  {count.format(replay.orders)}
                  {whole ? '' : ' sampled'}
                </td>
                {[replay.less, replay.more, replay.same].map((orders, index) => (
                  <td key={index} className="py-1 pr-4 text-right">
                    {count.format(orders)}
                  </td>
                ))}
                <td className={`py-1 pr-4 text-right ${replay.change === 0 ? '' : 'font-semibold'}`}>
                  {replay.change > 0 ? '+' : ''}
                  {money(replay.change, currency)}
                </td>
                <td className="py-1 pr-4 text-right whitespace-nowrap">
                  {money(replay.givenBefore, currency)}
                  <Becomes />
                  {money(replay.givenNow, currency)}
                </td>
                <td className="py-1">
                  <ReplayExamples marketId={id} examples={replay.examples} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function LeftRow({ name, reason }: { name: string; reason: string }) {
  return (
    <tr className="border-b border-hairline text-soft">
      <th scope="row" className="py-1 pr-4 font-normal">
        {name}
      </th>
      <td colSpan={7}>{reason}</td>
    </tr>
  );
}
