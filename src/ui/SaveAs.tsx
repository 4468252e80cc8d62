/** What a table or picture can be saved as. */
export function SaveAs({ what, forms }: { what: string; forms: { name: string; save: () => void }[] }) {
  return (
    <span className="inline-flex items-baseline text-small text-soft">
      save as
      {forms.map(({ name, save }) => (
        <button key={name} type="button" className="btn btn-xs" onClick={save} aria-label={`Save ${what} as ${name}`}>
          {name}
        </button>
      ))}
    </span>
  );
}
