import { memo, useEffect, useRef } from 'react';
import { countUnfinished } from '../../core/wording/text-address.ts';
import { useCheckingUp, useCheckUp } from '../page/check-up.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useJudgedCarts } from '../rehearsal/judged-carts.ts';
import { trail, type StopId } from './trail.ts';

/** What needs attention at a stop: how much, and what it is. */
type Attention = Partial<Record<StopId, readonly [count: number, what: string]>>;

const stopsOfFindings: readonly StopId[] = ['markets', 'delivery', 'offers'];

function useAttention(): Attention {
  const failing = useJudgedCarts().filter(({ misses }) => misses > 0).length;
  const unfinished = useDraft(({ settled }) => countUnfinished(settled));
  const { findings } = useCheckUp();
  const wrong = Object.fromEntries(
    stopsOfFindings.flatMap((stop) => {
      const count = (findings ?? []).filter((finding) => finding.stop === stop && finding.severity === 'wrong').length;
      return count === 0 ? [] : [[stop, [count, count === 1 ? 'thing that is wrong' : 'things that are wrong']]];
    }),
  ) as Attention;
  return {
    ...wrong,
    rehearse: [failing, failing === 1 ? 'test cart fails' : 'test carts fail'],
    wording: [unfinished, unfinished === 1 ? 'unfinished text' : 'unfinished texts'],
  };
}

/** The only navigation: eight stops on one line, each with how much needs attention there. */
export const Trail = memo(function Trail({ stop }: { stop: StopId }) {
  useCheckingUp();
  const attention = useAttention();
  const here = useRef<HTMLAnchorElement>(null);
  // On a phone the line is longer than the screen.
  useEffect(() => here.current?.scrollIntoView({ inline: 'center', block: 'nearest' }), []);
  return (
    <ol className="mx-auto flex w-max">
      {trail.map(({ id, name }) => {
        const [count, what] = attention[id] ?? [0, ''];
        return (
          <li key={id}>
            <a
              ref={id === stop ? here : undefined}
              href={`/${id}`}
              className="trail-stop"
              aria-current={id === stop ? 'page' : undefined}
              title={count > 0 ? `${count} ${what}` : undefined}
            >
              {name}
              {count > 0 && (
                <span
                  className="badge badge-warning badge-xs absolute top-0.5 left-full -ml-2.5 px-1"
                  data-testid={`count-${id}`}
                >
                  {count}
                  <span className="sr-only"> {what}</span>
                </span>
              )}
            </a>
          </li>
        );
      })}
    </ol>
  );
});
