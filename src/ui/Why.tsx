import { Popover } from './Popover.tsx';

export interface Reason {
  sentence: string;
  /** where what it rests on is set, or stands */
  address?: string;
  /** what the link there reads; “set there” where it is left out */
  leads?: string;
  children: Reason[];
}

/** The small `?` beside a figure, and the reason that it opens. @param reason worked out when it is asked for */
export function Why({ what, reason }: { what: string; reason: () => Reason | null }) {
  return (
    <Popover
      label={`Why: ${what}`}
      className="inline-flex size-6 items-center justify-center text-fine text-soft hover:text-base-content"
      shown={<span className="flex size-4 items-center justify-center rounded-full border border-faint">?</span>}
    >
      {() => <Explained reason={reason()} />}
    </Popover>
  );
}

function Explained({ reason }: { reason: Reason | null }) {
  return (
    <span className="block px-3 py-2 text-small" lang="en" dir="ltr" data-testid="reasons">
      {reason ? <Reasons reasons={[reason]} /> : 'There is nothing to explain here.'}
    </span>
  );
}

export function Reasons({ reasons }: { reasons: Reason[] }) {
  return (
    <ul>
      {reasons.map((reason, index) => (
        <li key={index} className="py-0.5">
          {reason.sentence}
          {reason.address !== undefined && (
            <a
              className="link link-primary ml-1 text-fine whitespace-nowrap"
              href={reason.address}
              aria-label={`${reason.leads ?? 'set there'}: ${reason.sentence}`}
            >
              {reason.leads ?? 'set there'}
            </a>
          )}
          {reason.children.length > 0 && (
            <div className="pl-3 text-soft">
              <Reasons reasons={reason.children} />
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
