import type { CompiledZone } from '../../../evaluation/compile.ts';
import { Memo } from '../../../memo.ts';
import { formatMoney } from '../../../money/format.ts';
import type { Sweep } from '../../../sweep/sweep.ts';
import type { Found } from '../../finding.ts';
import { guestSweep, type GuestSweep } from '../../guest-sweep.ts';
import type { Examined, FindingKind } from '../../kind.ts';

/**
 * An option that gets dearer at an amount of goods value, before offers or after them: a guest who adds goods pays more for
 * delivery. Told once for each option, at the first amount. Prices that rise evenly (a share of the goods) are meant so.
 */
export const risingPrice: FindingKind = {
  kind: 'risingPrice',
  called: 'prices that rise with goods value',
  stop: 'delivery',
  find: (examined) =>
    [...examined.compiled.markets.values()].flatMap((market) =>
      market.zones.flatMap((zone) => risesIn(examined, zone)),
    ),
};

const known = new Memo((swept: GuestSweep, { locale }: { locale: string }) => risesOf(swept, locale));

function risesIn(examined: Examined, zone: CompiledZone): Found[] {
  const swept = guestSweep(examined, zone);
  return swept ? known.get(swept, { locale: examined.locale }) : [];
}

function risesOf({ sweep, zone }: GuestSweep, locale: string): Found[] {
  const { market } = zone;
  const money = (minor: number) => formatMoney(minor, market.market.currency, locale);
  return zone.options.flatMap(({ id, option }, index): Found[] => {
    const [before, after] = [firstRise(sweep, index, 'before'), firstRise(sweep, index, 'after')];
    const rise = after ?? before;
    if (!rise) return [];
    return [
      {
        severity: after ? 'risky' : 'remark',
        at: `/options/${id}`,
        marketId: market.id,
        sentence: `“${option.name}” costs ${money(rise.from)} below ${money(rise.at)} of goods and ${money(rise.to)} from there on${whose(before, after)}.`,
        example: null,
        remedy: null,
      },
    ];
  });
}

/** Where only one of the prices rises: which. */
function whose(before: Rise | null, after: Rise | null): string {
  if (!after) return ', before offers';
  return before ? '' : ', after offers';
}

interface Rise {
  at: number;
  from: number;
  to: number;
}

/** The first jump upwards between two stretches next to each other in which an option is offered. */
function firstRise({ segments }: Sweep, option: number, price: 'before' | 'after'): Rise | null {
  for (const [index, segment] of segments.entries()) {
    const below = segments[index - 1]?.options[option];
    const here = segment.options[option];
    if (!below || !here) continue;
    const [from, to] = price === 'after' ? [below.lastAfter, here.after] : [below.lastBefore, here.before];
    // What rises evenly on the way has risen by a minor unit, too.
    if (to > from + 1) return { at: segment.from, from, to };
  }
  return null;
}
