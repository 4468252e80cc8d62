import { useEffect, useMemo, useState, type ComponentType } from 'react';
import { createPortal } from 'react-dom';
import { setAssumption } from '../../../client/edits/edits.ts';
import { usualAssumption } from '../../../core/orders/response.ts';
import type { OrderSpan } from '../../../core/orders/study.ts';
import type { DatedStep, MarketChange } from '../../../core/results/changes-of-market.ts';
import { fewestMembers } from '../../../core/results/compare-figures.ts';
import type { MarketPanels } from '../../../core/results/study-change.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { Alert } from '../../../ui/Alert.tsx';
import { insist } from '../../../ui/lazy-part.tsx';
import { TypedField } from '../../../ui/TypedField.tsx';
import { parsePercentTo } from '../../fields/typed-text.ts';
import { useDraft, usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { part } from '../../page/parts.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { usePrinting } from '../../page/use-printing.ts';
import type { SetQuery } from '../../page/use-query.ts';
import { changeInWords } from './change-in-words.ts';
import type { ChosenChange } from '../../../core/results/asked/chosen-change.ts';
import { Distributions } from './Distributions.tsx';
import { FigureTable } from './FigureTable.tsx';
import { useFigureWords } from '../study/figure-words.ts';
import { judgeChange } from '../../../core/results/judge-change.ts';
import type { PrintedResultsProps } from './PrintedResults.tsx';
import { Series } from './Series.tsx';
import { useChangeStudy, usePanels } from '../study/use-change.ts';
import { Verdict } from './Verdict.tsx';
import { Waiting } from './Waiting.tsx';
import { useChangedToo, WhatElse } from './WhatElse.tsx';
import type { Asking } from '../../../core/results/asked/asking.ts';

/** The page for paper: fetched beforehand, since paper does not wait. @param wanted there is something to print */
function usePrinted(wanted: boolean): ComponentType<PrintedResultsProps> | null {
  const [Printed, setPrinted] = useState<ComponentType<PrintedResultsProps> | null>(null);
  useEffect(() => {
    if (!wanted) return;
    insist(() => import('./PrintedResults.tsx')).then(
      (part) => setPrinted(() => part.default),
      () => undefined,
    );
  }, [wanted]);
  return Printed;
}

/** A market with hardly an order says nothing of a season. */
const enoughOrders = ({ before, after }: MarketPanels['orderValue']): boolean =>
  Math.min(before.count, after.count) >= fewestMembers.order;

/** Everything that two windows of orders say of a change. */
export function ChangeFound({
  market,
  span,
  chosen,
  asking: { question, goals, others },
  steps,
  changes,
  setQuery,
}: {
  market: string;
  span: OrderSpan;
  chosen: ChosenChange;
  asking: Asking;
  steps: readonly DatedStep[];
  changes: readonly MarketChange[];
  setQuery: SetQuery;
}) {
  const { markets } = usePolicy();
  const { locale, figure } = useNotation();
  const printing = usePrinting();
  const { currency } = markets[market]!;
  const words = useFigureWords(currency);
  const { study, problem } = useChangeStudy(market, question);
  const { panels, problem: elsewhere } = usePanels(others);
  const own = chosen.since?.kind === 'change' ? chosen.since.change.release : null;
  const changed = useChangedToo(market, question.windows, steps, own);
  // Until the other markets have been read nothing is judged: a figure by itself would be taken for the answer.
  const ready = study !== null && (others === null || panels !== null || elsewhere !== null);
  const beside = useMemo(() => (panels ?? []).filter((one) => enoughOrders(one.panels.orderValue)), [panels]);
  const compared = useMemo(() => beside.map(({ market: id }) => markets[id]?.name ?? id), [beside, markets]);
  const judged = useMemo(
    () => (ready ? judgeChange(study, beside.length > 0 ? beside.map((one) => one.panels) : null) : null),
    [ready, study, beside],
  );
  const Printed = usePrinted(judged !== null);
  const releases = useMemo(
    () => steps.map(({ number, day }) => ({ number, day, here: changes.some(({ release }) => release === number) })),
    [steps, changes],
  );
  const { before, after } = question.windows;
  const day = (at: number) => writeDay(dateOfDay(at), locale);
  const names = compared.length > 0 ? new Intl.ListFormat('en').format(compared) : 'no other market';
  const asked = `${day(after.from)} to ${day(after.to - 1)} beside ${day(before.from)} to ${day(before.to - 1)}${ready ? `, compared with ${names}` : ''}.`;
  return (
    <>
      <p className="text-small text-soft">
        {asked}
        {others !== null && others.length === 0 && ' No other market was without a change.'}
      </p>
      {problem && <Alert>{problem}</Alert>}
      {elsewhere && <Alert>{`Other markets could not be read: ${elsewhere}`}</Alert>}
      {!judged && !problem && <Waiting says="Looking through the orders …" />}
      {study && judged && (
        <>
          <Verdict
            judged={judged}
            orders={study.orders[0] + study.orders[1]}
            compared={compared.length > 0}
            words={words}
          />
          <section ref={part('figures')} aria-label="Figures" className="pt-2">
            <FigureTable market={market} study={study} judged={judged} compared={compared} words={words} />
            <p className="pt-1 text-small">
              <Margin market={market} />{' '}
              <button
                type="button"
                className="btn btn-xs ml-2"
                onClick={() => window.print()}
                data-testid="print-results"
              >
                Print a one-page report
              </button>
            </p>
          </section>
          <Distributions market={market} currency={currency} study={study} goals={goals} />
          <Series
            market={market}
            currency={currency}
            span={span}
            question={question}
            chosen={chosen}
            releases={releases}
            words={words}
            setQuery={setQuery}
          />
          <WhatElse changed={changed} />
          {printing &&
            Printed &&
            createPortal(
              <Printed
                market={market}
                currency={currency}
                title={
                  chosen.since?.kind === 'change'
                    ? changeInWords(chosen.since.change, (minor) => figure(minor, currency))
                    : `Before and after ${day(before.to)}`
                }
                asked={asked}
                study={study}
                judged={judged}
                compared={compared}
                goals={goals}
                changed={changed}
                words={words}
              />,
              document.body,
            )}
        </>
      )}
    </>
  );
}

/** The share of goods that stays as margin: the same assumption as at Orders. */
function Margin({ market }: { market: string }) {
  const policy = usePolicy();
  const show = useDraft((state) => state.show);
  const edit = useEdit();
  const assumption = policy.assumptions?.[market] ?? usualAssumption;
  return (
    <>
      Assuming{' '}
      <TypedField
        label="Margin on goods, percent"
        shown={assumption.margin}
        parse={parsePercentTo(100)}
        show={(margin) => show(margin === undefined ? null : setAssumption(market, { ...assumption, margin }))}
        commit={(margin) => edit(setAssumption(market, { ...assumption, margin }))}
        testId="results-margin"
      />{' '}
      % of goods stays as margin.
    </>
  );
}
