/** How far the shopper is toward the goal, drawn with the shop's colour. */
export function GoalBar({ percent, name }: { percent: number; name: string }) {
  return (
    <svg className="goal-bar" width="100%" height="5" role="img" aria-label={`${name}: ${percent} %`}>
      <rect className="track" width="100%" height="5" />
      <rect className="done" width={`${percent}%`} height="5" />
    </svg>
  );
}
