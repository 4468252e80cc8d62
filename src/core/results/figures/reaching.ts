import type { FigureKind } from './figure.ts';

/** Nobody reaches a goal that is not there. */
export const reaching: FigureKind = {
  name: 'orders that reach the goal',
  unit: 'share',
  of: 'order',
  means: 'orders worth at least the goal in force when they were placed',
  value: ({ goods, day }, index, { goalOn }) => {
    const goal = goalOn(day[index]!);
    return goal !== null && goods[index]! >= goal ? 1 : 0;
  },
};
