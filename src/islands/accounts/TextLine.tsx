/** A line to type into, under its name. */
export function TextLine({
  name,
  value,
  change,
  kind = 'text',
  autoComplete,
  hint,
  fault,
  maxLength,
  testId,
}: {
  name: string;
  value: string;
  change: (value: string) => void;
  kind?: 'text' | 'password';
  /** what browsers may fill in by themselves */
  autoComplete: string;
  hint?: string;
  /** why it is not taken */
  fault?: string | undefined;
  maxLength: number;
  testId: string;
}) {
  const described = `${testId}-says`;
  return (
    <div className="py-1.5">
      <label className="block">
        <span className="text-small text-soft">{name}</span>
        <input
          className="input input-sm w-full"
          type={kind}
          value={value}
          onChange={(event) => change(event.target.value)}
          autoComplete={autoComplete}
          autoCapitalize="none"
          spellCheck={false}
          maxLength={maxLength}
          required
          aria-invalid={fault !== undefined}
          aria-describedby={hint || fault ? described : undefined}
          data-testid={testId}
        />
      </label>
      {(fault || hint) && (
        <p id={described} className={`text-small ${fault ? 'text-error' : 'text-soft'}`}>
          {fault ? `This ${fault}.` : hint}
        </p>
      )}
    </div>
  );
}
