import { useRef } from 'react';
import { figureIds, figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { ChangeStudy } from '../../../core/results/study-change.ts';
import type { ChangedToo } from '../../../core/results/what-else.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useNow } from '../../page/page-context.tsx';
import DistributionChart from './DistributionChart.tsx';
import type { FigureWords } from '../study/figure-words.ts';
import type { JudgedFigure } from '../../../core/results/judge-change.ts';
import { decides, moreNeededInWords, paidInWords, rangeInWords } from './verdict-words.ts';
import { changedTooInWords } from './WhatElse.tsx';

/** px, as a page has room for */
const width = 660;

export interface PrintedResultsProps {
  market: string;
  currency: string;
  /** what it is about: “Free delivery: goal 75 → 60” */
  title: string;
  /** which weeks are compared with which, as a sentence */
  asked: string;
  study: ChangeStudy;
  judged: Record<FigureId, JudgedFigure>;
  compared: readonly string[];
  goals: { before: number | null; after: number | null };
  changed: readonly ChangedToo[];
  words: FigureWords;
}

/** One page on paper: whether it paid, the figures with their intervals, order values before and after, and what else changed. */
export default function PrintedResults({
  market,
  currency,
  title,
  asked,
  study,
  judged,
  compared,
  goals,
  changed,
  words,
}: PrintedResultsProps) {
  const { store, markets } = usePolicy();
  const { locale } = useNotation();
  const now = useNow();
  const picture = useRef<HTMLDivElement>(null);
  const { head, says } = paidInWords(judged[decides], words, compared.length > 0);
  const day = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: store.timeZone }).format(now);
  const mean = (id: FigureId, of: { count: number; mean: number }) => (of.count > 0 ? words.value(id, of.mean) : '–');
  return (
    <article className="printed-record" aria-label="Printed report">
      <h1>
        {title}, {markets[market]?.name}
      </h1>
      <p>
        {store.name}, {day}. {asked}
      </p>
      <p>
        <strong>{head}.</strong> {says[0]!.toUpperCase() + says.slice(1)}{' '}
        {moreNeededInWords(judged[decides], study.orders[0] + study.orders[1], words)}
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">Before</th>
            <th scope="col">After</th>
            <th scope="col">{compared.length > 0 ? 'Beyond the other markets' : 'Difference'}, 95 % interval</th>
          </tr>
        </thead>
        <tbody>
          {figureIds.map((id) => (
            <tr key={id}>
              <td>{figureKinds[id].name}</td>
              <td>{mean(id, study.figures[id].before)}</td>
              <td>{mean(id, study.figures[id].after)}</td>
              <td>
                {rangeInWords(judged[id], words)}
                {judged[id].verdict === 'chance' && ' (chance explains it)'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {study.distributions && (
        <>
          <h2>
            Share of orders by value, {currency}: before dashed ({words.count(study.orders[0])} orders), after in full (
            {words.count(study.orders[1])})
          </h2>
          <DistributionChart
            distributions={study.distributions}
            goals={goals}
            currency={currency}
            picture={picture}
            width={width}
          />
        </>
      )}
      <h2>What else changed</h2>
      {changed.length === 0 ? (
        <p>Nothing that Summant knows of.</p>
      ) : (
        <ul>
          {changed.map((one, index) => (
            <li key={index}>{changedTooInWords(one, locale)}</li>
          ))}
        </ul>
      )}
    </article>
  );
}
