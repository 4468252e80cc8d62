import { StandInMode } from '../page/StandInMode.tsx';

const modes = [
  ['works', 'works'],
  ['slow', 'is slow'],
  ['wrong', 'answers that nothing is there'],
  ['down', 'is down'],
] as const;

/** What the simulated receiver is made to do. */
export function StandInReceiver() {
  return (
    <span className="text-soft">
      It is simulated, ships with Summant, and <StandInMode name="receiver" label="Simulated receiver" modes={modes} />.
    </span>
  );
}
