/** A line as a chart draws it, with its name. */
export function LineKey({ text, className, dash }: { text: string; className: string; dash?: string }) {
  return (
    <span className="inline-flex items-center gap-1">
      <svg width="22" height="6" aria-hidden>
        <line x1="0" x2="22" y1="3" y2="3" strokeWidth="2" strokeDasharray={dash} className={className} />
      </svg>
      {text}
    </span>
  );
}
