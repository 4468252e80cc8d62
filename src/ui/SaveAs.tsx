/** What a table or picture can be saved as. */
export function SaveAs({ what, forms }: { what: string; forms: { name: string; save: () => void }[] }) {
  return (
    <span className="inline-flex flex-wrap items-baseline gap-1 text-small text-soft">
      save as
      {forms.map(({ name, save }) => (
        <button key={name} type="button" className="btn btn-xs" onClick={save} aria-label={`Save ${what} as ${name}`}>
          {name}
        </button>
      ))}
    </span>
  );
}
