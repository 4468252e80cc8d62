import { useMemo, useState, type ReactNode } from 'react';
import type { TestCart } from '../../core/policy/types.ts';
import { ArmShown, useCatalogue, useCompiled, useCompiledRelease, useNotation, useNow } from '../page/page-context.tsx';
import { ExpectedMark } from '../rehearsal/ExpectedMark.tsx';
import { ArmChips } from '../rehearsal/ArmChips.tsx';
import { useArmChoice } from '../rehearsal/use-arm-choice.ts';
import { DifferenceMark } from './DifferenceMark.tsx';
import { Lead } from './Lead.tsx';
import { OptionRow } from './OptionRow.tsx';
import { rehearse, whyNothing } from '../rehearsal/rehearse-cart.ts';

interface Card {
  id: string;
  cart: TestCart;
  /** where it stands at Rehearse */
  href?: string;
  /** why it is here, where nobody has pinned it */
  because?: string;
}

/** One pinned cart: who and where, how far toward the goal, what is read, what delivery costs; for each arm of an experiment. */
export function BenchCard(card: Card) {
  const [arm, setArm] = useState('');
  const { shown, choices } = useArmChoice(card.cart, arm);
  return (
    <ArmShown value={shown}>
      <OneCard {...card} arms={choices && <ArmChips choices={choices} choose={setArm} />} />
    </ArmShown>
  );
}

function OneCard({ id, cart, href = `/rehearse?cart=${id}`, because, arms }: Card & { arms: ReactNode }) {
  const { money } = useNotation();
  const compiled = useCompiled();
  const compiledRelease = useCompiledRelease();
  const catalogue = useCatalogue();
  const opened = useNow();
  const now = useMemo(() => rehearse(compiled, catalogue, cart, opened), [compiled, catalogue, cart, opened]);
  const released = useMemo(
    () => (compiledRelease ? rehearse(compiledRelease, catalogue, cart, opened) : null),
    [compiledRelease, catalogue, cart, opened],
  );
  const { evaluation } = now;
  const currency = evaluation.currency;
  return (
    <li className="isolate contain-layout border-t border-hairline px-4 py-3" data-testid={`bench-${id}`}>
      <div className="flex items-baseline justify-between gap-2">
        <h3 className="min-w-0 truncate font-sans text-body font-semibold">
          <a href={href} className="hover:underline">
            {cart.name}
          </a>
        </h3>
        {currency && evaluation.measures && <span>{money(evaluation.measures.goodsValue, currency)}</span>}
      </div>
      {because !== undefined && <p className="text-small text-error">{because}</p>}
      <p className="truncate text-fine text-soft">
        {cart.destination.country} {cart.destination.postcode} · {cart.language}
      </p>
      {arms}
      <Lead rehearsal={now} language={cart.language} />
      {evaluation.noOptions && <p className="text-small text-warning">{whyNothing[evaluation.noOptions]}</p>}
      {currency && (
        <ul className="mt-1.5">
          {evaluation.options.map((option) => (
            <OptionRow
              key={option.optionId}
              option={option}
              currency={currency}
              trace={now.trace}
              chosen={option.optionId === evaluation.preselected}
            />
          ))}
        </ul>
      )}
      {now.gone.length > 0 && (
        <p className="text-fine text-warning">Left out, no longer in the catalogue: {now.gone.join(', ')}.</p>
      )}
      {cart.expects && <ExpectedMark cart={cart} rehearsal={now} />}
      {released && currency && <DifferenceMark now={now} released={released} currency={currency} />}
    </li>
  );
}
