/** The stair and the flag: steps of spending, and the goal on top. */
export function Wordmark() {
  return (
    <span className="flex items-center gap-1.5">
      <svg width="22" height="22" viewBox="0 0 32 32" aria-hidden="true">
        <path
          d="M3 27h9v-8h8v-8h6"
          fill="none"
          stroke="currentColor"
          className="text-primary"
          strokeWidth="3.2"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
        <path d="M26 27V3" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" />
        <path d="M26 3l-11 3.6 11 3.8z" className="fill-accent" />
      </svg>
      <span className="font-head text-mark font-semibold tracking-tight">Summant</span>
    </span>
  );
}
