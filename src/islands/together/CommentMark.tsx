import { MessageSquareText } from 'lucide-react';
import type { About } from '../../contract/shapes/together.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { usePerson } from '../page/page-context.tsx';
import { useOpenComments } from './together-context.tsx';

const Comments = lazyPart(() => import('./Comments.tsx'), <span className="block p-2">…</span>);

/** Beside a thing: how much is to be talked about, which opens it. Who is alone has nobody to tell it to. */
export function CommentMark({ kind, about, name }: About & { name: string }) {
  const { account } = usePerson();
  const open = useOpenComments(kind, about);
  if (account === null) return null;
  return (
    <Popover
      label={`Comments on ${name}${open > 0 ? `, ${open} not done` : ''}`}
      shown={
        <>
          <MessageSquareText size={14} aria-hidden />
          {open > 0 && <span aria-hidden>{open}</span>}
        </>
      }
      className={`btn btn-ghost btn-xs ml-1 min-w-6 gap-0.5 px-1 align-middle ${open > 0 ? 'text-primary' : 'text-soft'}`}
      testId={`comments-${kind}-${about}`}
    >
      {() => <Comments kind={kind} about={about} open={open} />}
    </Popover>
  );
}
