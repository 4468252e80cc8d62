/** A few things of which one is looked at. */
export function Choices({
  choices,
  chosen,
  choose,
  prefix,
}: {
  choices: readonly (readonly [id: string, name: string])[];
  chosen: string;
  choose: (id: string) => void;
  prefix: string;
}) {
  return choices.map(([id, name]) => (
    <button
      key={id}
      type="button"
      className="btn btn-ghost btn-xs"
      aria-pressed={id === chosen}
      onClick={() => choose(id)}
      data-testid={`${prefix}-${id || 'first'}`}
    >
      {name}
    </button>
  ));
}
