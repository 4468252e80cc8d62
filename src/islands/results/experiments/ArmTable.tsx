import { useMemo } from 'react';
import type { ArmStudy, ExperimentStudy } from '../../../core/experiments/study-experiment.ts';
import { figureIds, figureKinds, type FigureId } from '../../../core/results/figures/registry.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { Why } from '../../../ui/Why.tsx';
import { saveCsv } from '../../page/save-file.ts';
import type { FigureWords } from '../study/figure-words.ts';

interface Row {
  id: FigureId | 'orders' | 'shoppers' | 'ordersOfShoppers';
  name: string;
}

const figures: readonly Row[] = figureIds
  .filter((id) => figureKinds[id].of === 'order')
  .map((id) => ({ id, name: figureKinds[id].name }));

const isFigure = (id: Row['id']): id is FigureId => Object.hasOwn(figureKinds, id);

/** Every figure of every arm, with the interval to the first that holds at every look. @param shoppers quoted, of each arm */
export function ArmTable({
  id: experimentId,
  experiment,
  study,
  words,
  shoppers,
}: {
  id: string;
  experiment: Experiment;
  study: ExperimentStudy;
  words: FigureWords;
  shoppers: readonly number[];
}) {
  const rows = useMemo((): Row[] => {
    const counted = shoppers.some((count) => count > 0);
    return [
      ...figures,
      { id: 'orders', name: 'orders' },
      ...(counted
        ? [
            { id: 'shoppers', name: 'shoppers quoted' } as const,
            { id: 'ordersOfShoppers', name: 'orders of a hundred shoppers' } as const,
          ]
        : []),
    ];
  }, [shoppers]);
  const columns = useMemo((): TableColumn<Row>[] => {
    const plain = (row: Row, place: number): number => {
      const { orders } = study.arms[place]!;
      const of = shoppers[place] ?? 0;
      return { orders, shoppers: of, ordersOfShoppers: of > 0 ? (orders / of) * 100 : NaN }[row.id as 'orders'];
    };
    const mean = ({ figures: of, orders }: ArmStudy, figure: FigureId) =>
      orders === 0 ? '–' : words.value(figure, of[figure].mean);
    const written = (row: Row, place: number) => {
      const value = plain(row, place);
      if (Number.isNaN(value)) return '–';
      return row.id === 'ordersOfShoppers' ? value.toFixed(1) : words.count(value);
    };
    return [
      {
        id: 'figure',
        name: 'Figure',
        value: ({ name }) => name,
        cell: (row) => (
          <>
            {row.name} {isFigure(row.id) && <MadeOf figure={row.id} />}
          </>
        ),
        className: 'whitespace-nowrap',
        pinned: true,
      },
      ...study.arms.flatMap((arm, place): TableColumn<Row>[] => {
        const name = experiment.arms[arm.id]?.name ?? arm.id;
        const own: TableColumn<Row> = {
          id: `arm-${arm.id}`,
          name,
          value: (row) => (isFigure(row.id) ? words.number(row.id, arm.figures[row.id].mean) : plain(row, place)),
          cell: (row) => (isFigure(row.id) ? mean(arm, row.id) : written(row, place)),
          right: true,
          className: 'whitespace-nowrap',
        };
        if (place === 0) return [own];
        return [
          own,
          {
            id: `difference-${arm.id}`,
            name: study.arms.length > 2 ? `Difference, ${name}` : 'Difference',
            value: (row) =>
              isFigure(row.id) ? words.number(row.id, arm.differences[row.id]?.difference ?? null) : null,
            cell: (row) => <Difference arm={arm} id={row.id} words={words} />,
            right: true,
            className: 'whitespace-nowrap',
          },
        ];
      }),
    ];
  }, [experiment, study, words, shoppers]);
  return (
    <Table
      label="Figures of the arms"
      columns={columns}
      rows={rows}
      keyOf={({ id }) => id}
      save={{ what: 'the figures', csv: () => saveArms(experimentId, experiment, study, words) }}
      testId="experiment-figures"
      rowTestId={({ id }) => `arm-figure-${id}`}
    />
  );
}

function Difference({ arm, id, words }: { arm: ArmStudy; id: Row['id']; words: FigureWords }) {
  if (!isFigure(id)) return null;
  const difference = arm.differences[id];
  if (!difference) return <span className="text-soft">too few</span>;
  return (
    <>
      {words.difference(id, difference.difference)}{' '}
      <span className="text-small text-soft">({words.range(id, difference.low, difference.high)})</span>
    </>
  );
}

const MadeOf = ({ figure }: { figure: FigureId }) => {
  const { name, means } = figureKinds[figure];
  return (
    <Why
      what={name}
      reason={() => ({
        sentence: `${name[0]!.toUpperCase()}${name.slice(1)}: ${means}.`,
        children: [
          {
            sentence:
              'The interval is a confidence sequence: in 95 of a hundred experiments it holds what is true at every look, however often one looks, so it is wider than one for a single look.',
            children: [],
          },
        ],
      })}
    />
  );
};

/** Everything in numbers: money in the currency, shares of 1. */
function saveArms(id: string, { arms }: Experiment, study: ExperimentStudy, words: FigureWords): void {
  saveCsv(
    `experiment-${id}`,
    ['Arm', 'Figure', 'Orders', 'Average', 'Difference', 'at least', 'at most'],
    study.arms.flatMap((arm) =>
      figures.map(({ id: figure, name }) => {
        const known = figure as FigureId;
        const difference = arm.differences[known];
        return [
          arms[arm.id]?.name ?? arm.id,
          name,
          arm.figures[known].count,
          ...[arm.figures[known].mean, difference?.difference, difference?.low, difference?.high].map((value) =>
            words.number(known, value),
          ),
        ];
      }),
    ),
  );
}
