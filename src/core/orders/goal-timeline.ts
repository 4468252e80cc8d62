/** Goals one after another, oldest first; each is in force from its day until the next. In their measure, null: none */
export type GoalTimeline = readonly { from: number; goal: number | null }[];

/** The goal in force on a day. */
export function goalOn(goals: GoalTimeline): (day: number) => number | null {
  return (day) => {
    let goal: number | null = null;
    for (const one of goals) {
      if (one.from > day) break;
      ({ goal } = one);
    }
    return goal;
  };
}
