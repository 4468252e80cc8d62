import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { SweepAxis } from '../../core/sweep/axis.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { type Rehearsal } from '../rehearsal/rehearse-cart.ts';
import { Seams } from './tools/Seams.tsx';
import { CloseTheGap } from './tools/CloseTheGap.tsx';
import { Charged } from './tools/Charged.tsx';
import { Expected } from './tools/Expected.tsx';
import { LineUp } from './tools/LineUp.tsx';
import { SweepChart } from './tools/SweepChart.tsx';
import type { Along } from './tools/variations.ts';
import type { SetQuery } from '../page/use-query.ts';
import { Tabs } from '../../ui/Tabs.tsx';
import { part } from '../page/parts.ts';

const tools = [
  ['', 'Seams'],
  ['line-up', 'Line-up'],
  ['sweep', 'Sweep'],
  ['gap', 'What closes the gap'],
  ['expected', 'Expected'],
  ['charged', 'Already placed'],
] as const;

/** What is looked at beside the shop. */
export function ToolPanel({
  cartId,
  cart,
  rehearsal,
  zone,
  query,
  setQuery,
}: {
  cartId: string;
  cart: TestCart;
  rehearsal: Rehearsal;
  zone: CompiledZone | undefined;
  query: Record<string, string>;
  setQuery: SetQuery;
}) {
  const { currency, measures } = rehearsal.evaluation;
  const tool = tools.find(([id]) => id === query.tool)?.[0] ?? '';
  return (
    <>
      <div ref={part('tools')} className="mt-4 border-t border-hairline pt-1.5">
        <Tabs
          label="What to look at"
          tabs={tools}
          chosen={tool}
          choose={(next) => setQuery({ tool: next })}
          prefix="tool"
        />
      </div>
      {tool === '' && zone && <Seams key={`seams-${cartId}`} cartId={cartId} cart={cart} zone={zone} />}
      {tool === 'line-up' && (
        <LineUp
          key={`line-up-${cartId}`}
          cartId={cartId}
          cart={cart}
          zone={zone}
          along={alongOf(query.along)}
          chooseAlong={(along) => setQuery({ along })}
        />
      )}
      {tool === 'sweep' && zone && measures && (
        <SweepChart
          cart={cart}
          zone={zone}
          measures={measures}
          axis={axisOf(query.axis)}
          chooseAxis={(axis) => setQuery({ axis })}
        />
      )}
      {tool === 'gap' && currency && <CloseTheGap cartId={cartId} cart={cart} currency={currency} />}
      {tool === 'expected' && <Expected cartId={cartId} cart={cart} rehearsal={rehearsal} />}
      {tool === 'charged' && currency && (
        <Charged cartId={cartId} cart={cart} rehearsal={rehearsal} currency={currency} />
      )}
    </>
  );
}

const alongOf = (asked: string | undefined): Along =>
  asked === 'destinations' || asked === 'moments' || asked === 'carts' ? asked : 'shoppers';
const axisOf = (asked: string | undefined): SweepAxis =>
  asked === 'items' || asked === 'weight' ? asked : 'goodsValue';
