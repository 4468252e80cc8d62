import { memo, useEffect, useRef } from 'react';
import { useCheckingUp, useCheckUp } from '../findings/check-up.ts';
import { OthersAtStop } from '../together/OthersHere.tsx';
import { trail, type Place, type StopId } from './trail.ts';

/** What needs attention at a stop: how much, what it is, and whether it is wrong already. */
interface Attention {
  count: number;
  what: string;
  wrong: boolean;
}

const counted = (count: number, [one, several]: readonly [string, string], wrong: boolean): Attention => ({
  count,
  what: count === 1 ? one : several,
  wrong,
});

/** By what the check-up has found. Remarks are no reason to go anywhere. */
function useAttention(): (stop: StopId) => Attention {
  const { findings } = useCheckUp();
  return (stop) => {
    const here = (findings ?? []).filter((finding) => finding.stop === stop && finding.accepted === null);
    const wrong = here.filter(({ severity }) => severity === 'wrong').length;
    if (wrong > 0) return counted(wrong, ['thing that is wrong', 'things that are wrong'], true);
    const risky = here.filter(({ severity }) => severity === 'risky').length;
    return counted(risky, ['thing that is risky', 'things that are risky'], false);
  };
}

/** The only navigation: eight stops on one line, each with how much needs attention there. */
export const Trail = memo(function Trail({ stop }: { stop: Place }) {
  useCheckingUp();
  const attention = useAttention();
  const here = useRef<HTMLAnchorElement>(null);
  // On a phone the line is longer than the screen.
  useEffect(() => here.current?.scrollIntoView({ inline: 'center', block: 'nearest' }), []);
  return (
    <ol className="mx-auto flex w-max">
      {trail.map(({ id, name }) => {
        const { count, what, wrong } = attention(id);
        return (
          <li key={id} className="relative">
            <a
              ref={id === stop ? here : undefined}
              href={`/${id}`}
              className="trail-stop"
              aria-current={id === stop ? 'page' : undefined}
            >
              {name}
            </a>
            <OthersAtStop stop={id} name={name} />
            {count > 0 && (
              <a
                className="absolute top-0 -right-3 z-1 grid size-6 place-items-center"
                href={`/release?stop=${id}#check-up`}
                title={`${count} ${what}: look`}
                data-testid={`count-${id}`}
              >
                <span className={`badge badge-xs px-1 ${wrong ? 'badge-warning' : 'badge-ghost'}`}>{count}</span>
                <span className="sr-only">
                  {what} at {name}
                </span>
              </a>
            )}
          </li>
        );
      })}
    </ol>
  );
});
