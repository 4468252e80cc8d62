import { useEffect, useMemo, useState } from 'react';
import { setCartPart } from '../../../client/edits/cart-edits.ts';
import { call } from '../../../client/http.ts';
import { compilePolicy } from '../../../core/evaluation/compile.ts';
import { parseAmount, toDecimal } from '../../../core/money/decimal.ts';
import type { Policy, TestCart } from '../../../core/policy/types.ts';
import type { ReleaseSummary } from '../../../contract/shapes/release.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Reasons, type Reason } from '../../../ui/Why.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { rehearse, type Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { EditedField } from '../../fields/EditedField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow, useRulesShown } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { onlyIn, reasonOfOption } from '../../rehearsal/reasons.ts';
import { parseText } from '../../fields/typed-text.ts';

interface OfThatDay {
  number: number;
  policy: Policy;
}

/**
 * An order that has been placed: what was charged, what the rules of that day would have charged and today's would, and why
 * they differ. A price set by hand is kept as an exception with its reason.
 */
export function Charged({
  cartId,
  cart,
  rehearsal,
  currency,
}: {
  cartId: string;
  cart: TestCart;
  rehearsal: Rehearsal;
  currency: string;
}) {
  const { money, locale } = useNotation();
  const catalogue = useCatalogue();
  const now = useNow();
  const edit = useEdit();
  const { placed } = cart;
  const at = cart.at === undefined ? now : Date.parse(cart.at);
  const found = useReleaseAt(at);
  const policy = usePolicy();
  const today = useCompiled();
  const known = found !== null && found !== 'none';
  const compiled = useRulesShown(compilePolicy(known ? found.policy : policy));
  const then = useMemo(
    () => (known ? rehearse(compiled, catalogue, cart, now) : null),
    [known, compiled, catalogue, cart, now],
  );
  const options = rehearsal.evaluation.options.map(({ optionId }) => optionId);
  const optionId = placed?.option ?? rehearsal.evaluation.preselected ?? options[0];
  const nameOf = (id: string) => policy.options[id]?.name ?? id;
  const priceIn = (one: Rehearsal | null) =>
    one?.evaluation.options.find((option) => option.optionId === optionId)?.after ?? null;
  const write = (minor: number | null) => (minor === null ? 'not offered' : money(minor, currency));
  const day = new Intl.DateTimeFormat(locale, {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: policy.store.timeZone,
  }).format(at);
  const rows = [
    ...(known
      ? [{ name: `release ${found.number}, in force on ${day}`, rehearsal: then!, rules: compiled.policy }]
      : []),
    { name: 'today’s draft', rehearsal, rules: today.policy },
  ];
  const charge = (minor: number) => edit(setCartPart(cartId, 'placed', { ...placed, charged: minor }));
  return (
    <section aria-label="An order already placed" data-testid="charged">
      <p className="py-1 text-small leading-6">
        The shopper was charged{' '}
        <TypedField
          label={`What was charged for delivery, ${currency}`}
          shown={placed ? toDecimal(placed.charged, currency) : ''}
          parse={(text) => {
            const amount = parseAmount(text, currency);
            return amount.ok ? { ok: true, value: amount.minor } : { ok: false, reason: amount.reason };
          }}
          show={() => {}}
          commit={charge}
          testId="placed-charged"
        />{' '}
        {currency} for{' '}
        <PhraseSelect
          label="The option taken"
          value={optionId ?? ''}
          options={[...new Set([...(optionId ? [optionId] : []), ...options])].map((id) => [id, nameOf(id)] as const)}
          choose={(option) => edit(setCartPart(cartId, 'placed', { charged: placed?.charged ?? 0, ...placed, option }))}
        />
        , on {day}.{' '}
        {placed && (
          <>
            A price set by hand, because{' '}
            <EditedField
              label="Why the price was set by hand"
              shown={placed.exception ?? ''}
              parse={parseText(500)}
              change={(reason) =>
                setCartPart(cartId, 'placed', reason === '' ? without(placed) : { ...placed, exception: reason })
              }
              placeholder="no exception"
              testId="placed-exception"
            />{' '}
            <button type="button" className="btn btn-xs" onClick={() => edit(setCartPart(cartId, 'placed', undefined))}>
              not placed after all
            </button>
          </>
        )}
      </p>
      {found === 'none' && (
        <p className="text-small text-warning">
          No release was in force on that day, so there are no rules of then to compare with.
        </p>
      )}
      {placed && optionId && (
        <>
          <ul className="text-small" data-testid="charged-verdicts">
            {rows.map(({ name, rehearsal: one }) => {
              const price = priceIn(one);
              const verdict = verdictOn(price, placed.charged, write);
              return (
                <li key={name} className="py-0.5">
                  {name}:{' '}
                  <strong className={price === placed.charged || placed.exception ? '' : 'text-warning'}>
                    {write(price)}
                  </strong>
                  , {verdict}
                  {price !== placed.charged && placed.exception && (
                    <span className="text-soft">; kept as an exception: {placed.exception}</span>
                  )}
                </li>
              );
            })}
          </ul>
          <WhyTheyDiffer
            reasons={rows.map(({ name, rehearsal: one, rules }) => ({
              name,
              reason: reasonOfOption(one.trace(), optionId, rules, (minor) => money(minor, currency)),
            }))}
          />
        </>
      )}
    </section>
  );
}

/** Of each reason what the other does not say. */
function WhyTheyDiffer({ reasons }: { reasons: { name: string; reason: Reason | null }[] }) {
  const [first, second] = reasons;
  if (!first?.reason) return null;
  if (!second?.reason) return <Reasons reasons={[first.reason]} />;
  const differing = [
    { name: first.name, reason: onlyIn(first.reason, second.reason) },
    { name: second.name, reason: onlyIn(second.reason, first.reason) },
  ];
  if (differing.every(({ reason }) => reason === null)) {
    return (
      <>
        <p className="text-small text-soft">Both come to it in the same way:</p>
        <div className="text-small">
          <Reasons reasons={[second.reason]} />
        </div>
      </>
    );
  }
  return (
    <div className="grid gap-x-8 gap-y-2 text-small lg:grid-cols-2" data-testid="why-they-differ">
      {differing.map(({ name, reason }) => (
        <div key={name} className="border-l-2 border-primary pl-2">
          <p className="text-soft">{name}, where it differs</p>
          {reason ? <Reasons reasons={[reason]} /> : <p className="text-soft">nothing besides</p>}
        </div>
      ))}
    </div>
  );
}

function without({ exception: _, ...rest }: NonNullable<TestCart['placed']>): NonNullable<TestCart['placed']> {
  return rest;
}

/** The release that was in force at a moment; null while it is asked for. */
function useReleaseAt(at: number): OfThatDay | 'none' | null {
  const [found, setFound] = useState<{ at: number; release: OfThatDay | 'none' } | null>(null);
  useEffect(() => {
    let here = true;
    void (async () => {
      const list = await call('GET /api/releases');
      if (!list.ok || !here) return;
      const before = list.body.releases
        .filter(({ releasedAt }) => Date.parse(releasedAt) <= at)
        .reduce<ReleaseSummary | null>((last, one) => (last === null || one.number > last.number ? one : last), null);
      if (!before) return setFound({ at, release: 'none' });
      const whole = await call('GET /api/releases/{number}', { params: { number: before.number } });
      if (whole.ok && here) setFound({ at, release: { number: whole.body.number, policy: whole.body.policy } });
    })();
    return () => {
      here = false;
    };
  }, [at]);
  return found?.at === at ? found.release : null;
}

/** @param price what it would be; null: it would not have been offered */
function verdictOn(price: number | null, charged: number, write: (minor: number) => string): string {
  if (price === null) return 'which would not have been offered';
  if (price === charged) return 'as charged';
  return `${write(Math.abs(price - charged))} ${price > charged ? 'more' : 'less'} than charged`;
}
