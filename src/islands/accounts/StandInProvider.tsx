import { StandInMode } from '../page/StandInMode.tsx';

const modes = [
  ['works', 'works'],
  ['slow', 'is slow'],
  ['nonce', 'answers somebody else’s question'],
  ['issuer', 'says that it is another'],
  ['signature', 'signs with a key that nobody knows'],
  ['expiry', 'says what was so an hour ago'],
  ['audience', 'says it to another'],
  ['down', 'is down'],
] as const;

/** What the simulated provider is made to do. */
export function StandInProvider() {
  return (
    <p className="mt-4 text-soft">
      People can sign in by a provider here. It is simulated, ships with Summant, believes whoever comes, and{' '}
      <StandInMode name="provider" label="Simulated provider" modes={modes} />.
    </p>
  );
}
