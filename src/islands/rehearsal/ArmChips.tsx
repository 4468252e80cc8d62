import { FlaskConical } from 'lucide-react';
import type { ArmName } from '../../core/experiments/arm-name.ts';
import { Choices } from '../../ui/Choices.tsx';
import type { ArmChoices } from './use-arm-choice.ts';

/** The arms of the experiment in a cart’s market: one is looked at. */
export function ArmChips({
  choices: { name, arms, chosen, nameOf },
  choose,
}: {
  choices: ArmChoices;
  choose: (arm: ArmName) => void;
}) {
  return (
    <p className="flex flex-wrap items-center gap-x-1.5 py-0.5 text-fine text-soft" data-testid="arm-chips">
      <FlaskConical size={13} aria-hidden />
      <span className="sr-only">Experiment “{name}”, shoppers who see:</span>
      <Choices
        label={`Arm of “${name}”`}
        choices={arms}
        chosen={chosen}
        choose={(arm) => choose(nameOf(arm))}
        prefix="arm"
      />
    </p>
  );
}
