/** A moment on a clock, to the minute: what is half typed is not handed on, an empty one is. */
export function DateTimeField({
  label,
  value,
  change,
  testId,
}: {
  label: string;
  value: string;
  change: (value: string) => void;
  testId?: string;
}) {
  return (
    <input
      type="datetime-local"
      className="typed [field-sizing:fixed]"
      aria-label={label}
      value={value}
      data-testid={testId}
      onChange={(event) => {
        const next = event.target.value.slice(0, 16);
        if (next === '' || /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(next)) change(next);
      }}
    />
  );
}
