/** Takes a small thing out of the list it stands in. */
export function Remove({ what, remove }: { what: string; remove: () => void }) {
  return (
    <button type="button" className="quiet-button !min-w-6 !px-1 text-soft" aria-label={`Remove ${what}`} onClick={remove}>
      ×
    </button>
  );
}
