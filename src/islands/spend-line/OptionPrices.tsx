import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { OptionPrice } from '../../core/evaluation/evaluation.ts';
import { usePriceWords } from '../page/use-price-words.ts';
import { optionLine } from './option-line.ts';

/** The options of a zone with their lines and what each costs here. @param left ids of options to leave out */
export function OptionPrices({
  zone,
  options,
  left,
}: {
  zone: CompiledZone;
  options: readonly OptionPrice[];
  left?: ReadonlySet<string>;
}) {
  const write = usePriceWords(zone.market.market.currency);
  return zone.options.map(({ id, option }, index) => {
    if (left?.has(id)) return null;
    const line = optionLine(index);
    return (
      <span key={id} className="flex items-center gap-1.5">
        <svg width="22" height="8" aria-hidden="true">
          <line x1="0" x2="22" y1="4" y2="4" className={line.stroke} strokeWidth="2" strokeDasharray={line.dash} />
        </svg>
        {option.name} <strong>{write(options.find(({ optionId }) => optionId === id)?.after)}</strong>
      </span>
    );
  });
}
