import { useMemo, type ReactNode } from 'react';
import { figureIds, figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { ChangeStudy } from '../../../core/results/study-change.ts';
import type { Window } from '../../../core/results/matched-weeks.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { Why, type Reason } from '../../../ui/Why.tsx';
import { saveCsv } from '../../page/save-file.ts';
import type { FigureWords } from '../study/figure-words.ts';
import type { JudgedFigure } from '../../../core/results/judge-change.ts';

interface Row {
  id: FigureId;
}
const rows: readonly Row[] = figureIds.map((id) => ({ id }));

const marks = { more: 'more', less: 'less', chance: 'chance' } as const;

/** All figures before and after, each with its interval and what it is made of. */
export function FigureTable({
  market,
  study,
  judged,
  compared,
  words,
}: {
  market: string;
  study: ChangeStudy;
  judged: Record<FigureId, JudgedFigure>;
  /** names of the markets that it is compared with */
  compared: readonly string[];
  words: FigureWords;
}) {
  const columns = useMemo(
    () => columnsOf({ market, study, judged, compared, words }),
    [market, study, judged, compared, words],
  );
  return (
    <Table
      label="Figures before and after"
      columns={columns}
      rows={rows}
      keyOf={({ id }) => id}
      save={{ what: 'the figures', csv: () => saveFigures(market, study, judged, words) }}
      testId="results-figures"
      rowTestId={({ id }) => `figure-${id}`}
    />
  );
}

function columnsOf({ market, study, judged, compared, words }: Parameters<typeof FigureTable>[0]): TableColumn<Row>[] {
  const write = (id: FigureId, { count, mean }: { count: number; mean: number }) =>
    count > 0 ? words.value(id, mean) : '–';
  return [
    {
      id: 'figure',
      name: 'Figure',
      value: ({ id }) => figureKinds[id].name,
      cell: ({ id }) => (
        <>
          {figureKinds[id].name}{' '}
          <Why
            what={figureKinds[id].name}
            reason={() => madeOf(id, { market, study, judged: judged[id], compared, words })}
          />
        </>
      ),
      className: 'whitespace-nowrap',
      pinned: true,
    },
    figureColumn(
      'before',
      'Before',
      (id) => words.number(id, study.figures[id].before.mean),
      (id) => write(id, study.figures[id].before),
    ),
    figureColumn(
      'after',
      'After',
      (id) => words.number(id, study.figures[id].after.mean),
      (id) => write(id, study.figures[id].after),
    ),
    figureColumn(
      'difference',
      'Difference',
      (id) => judged[id].difference?.difference ?? null,
      (id) => {
        const { difference } = judged[id];
        return difference ? (
          <>
            {words.difference(id, difference.difference)}{' '}
            <Range>{words.range(id, difference.low, difference.high)}</Range>
          </>
        ) : (
          'too few'
        );
      },
    ),
    ...(compared.length > 0
      ? [
          figureColumn(
            'elsewhere',
            'Elsewhere',
            (id: FigureId) => judged[id].elsewhere,
            (id: FigureId) => {
              const { elsewhere } = judged[id];
              return elsewhere === null ? '–' : words.relative(elsewhere);
            },
          ),
          figureColumn(
            'beyond',
            'Beyond that',
            (id: FigureId) => judged[id].beyond?.relative ?? null,
            (id: FigureId) => {
              const { beyond } = judged[id];
              return beyond ? (
                <>
                  {words.relative(beyond.relative)}{' '}
                  <span className="text-soft">
                    ({words.relative(beyond.low)} to {words.relative(beyond.high)})
                  </span>
                </>
              ) : (
                'too few'
              );
            },
          ),
        ]
      : []),
    {
      id: 'verdict',
      name: 'Verdict',
      value: ({ id }) => {
        const { verdict } = judged[id];
        return verdict === null ? 'too few' : marks[verdict];
      },
      cell: ({ id }) => {
        const { verdict } = judged[id];
        if (verdict === null) return <span className="text-soft">too few</span>;
        return verdict === 'chance' ? (
          <span className="text-soft">{marks.chance}</span>
        ) : (
          <strong>{marks[verdict]}</strong>
        );
      },
      className: 'whitespace-nowrap',
    },
  ];
}

const Range = ({ children }: { children: ReactNode }) => <span className="text-small text-soft">({children})</span>;

/** Everything that the table says, in numbers: money in the currency, shares of 1. */
function saveFigures(
  market: string,
  { figures, windows }: ChangeStudy,
  judged: Record<FigureId, JudgedFigure>,
  words: FigureWords,
): void {
  const heading = [
    'Figure',
    `Before, ${dateOfDay(windows.before.from)} to ${dateOfDay(windows.before.to - 1)}`,
    `After, ${dateOfDay(windows.after.from)} to ${dateOfDay(windows.after.to - 1)}`,
    ...['Difference', 'at least', 'at most', 'Elsewhere', 'Beyond that', 'at least', 'at most', 'Verdict'],
  ];
  saveCsv(
    `results-${market}`,
    heading,
    figureIds.map((id) => {
      const { difference, beyond, elsewhere, verdict } = judged[id];
      const inUnit = (value: number | undefined) => words.number(id, value);
      return [
        figureKinds[id].name,
        ...[figures[id].before.mean, figures[id].after.mean].map(inUnit),
        ...[difference?.difference, difference?.low, difference?.high].map(inUnit),
        ...[elsewhere, beyond?.relative ?? null, beyond?.low ?? null, beyond?.high ?? null],
        verdict === null ? 'too few' : marks[verdict],
      ];
    }),
  );
}

const figureColumn = (
  id: string,
  name: string,
  value: (figure: FigureId) => number | null,
  cell: (figure: FigureId) => ReactNode,
): TableColumn<Row> => ({
  id,
  name,
  value: (row) => value(row.id),
  cell: (row) => cell(row.id),
  right: true,
  className: 'whitespace-nowrap',
});

const intervals = {
  welch:
    'The interval is Welch’s, of two averages that scatter differently: 95 of a hundred such intervals hold what is true.',
  drawnAnew:
    'Amounts of few orders are skewed, so the interval comes from drawing the orders anew 2,000 times (bias-corrected and accelerated): 95 of a hundred such intervals hold what is true.',
};

/** What a figure is made of. */
function madeOf(
  id: FigureId,
  {
    market,
    study: { figures, windows },
    judged: { beyond, difference },
    compared,
    words,
  }: { market: string; study: ChangeStudy; judged: JudgedFigure; compared: readonly string[]; words: FigureWords },
): Reason {
  const { name, means, of } = figureKinds[id];
  const row = figures[id];
  const members = of === 'day' ? 'days' : 'orders';
  const one = (word: string, { count, mean, squares }: typeof row.before, window: Window, unknown: number): Reason => ({
    sentence: `${word}: ${words.count(count)} ${members}, on average ${count > 0 ? words.value(id, mean) : 'nothing'}, scattering by ${words.value(id, count > 1 ? Math.sqrt(squares / (count - 1)) : 0)}${unknown > 0 ? `; of ${words.count(unknown)} more it is not known` : ''}.`,
    address: `/orders?market=${encodeURIComponent(market)}&from=${dateOfDay(window.from)}&to=${dateOfDay(window.to - 1)}`,
    leads: 'see these orders',
    children: [],
  });
  const children = [
    one('Before', row.before, windows.before, row.unknown[0]),
    one('After', row.after, windows.after, row.unknown[1]),
  ];
  if (difference) children.push({ sentence: intervals[difference.by], children: [] });
  if (beyond)
    children.push({
      sentence: `Without the change it would have been about ${words.value(id, beyond.expected)}: as before, times what it became in ${compared.join(', ')}. How far markets go apart by themselves ${beyond.apart === null ? 'is not known from a single one' : `(${words.relative(beyond.apart)}) is in the interval`}.`,
      children: [],
    });
  return { sentence: `${name[0]!.toUpperCase()}${name.slice(1)}: ${means}.`, children };
}
