import { useEffect, useState, type FormEvent } from 'react';
import { call } from '../../client/http.ts';
import type { About, Comment } from '../../contract/shapes/together.ts';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';

/** What was said about a thing, and what one has to say. */
export default function Comments({
  kind,
  about,
  open,
}: About & { /** not done, as others' pages know it */ open: number }) {
  const { busy, problem, ask } = useAsking();
  const [comments, setComments] = useState<readonly Comment[] | null>(null);
  const [said, setSaid] = useState('');
  const read = () => ask(() => call('GET /api/comments', { query: { kind, about } }));
  useEffect(() => {
    let wanted = true;
    void read().then((list) => wanted && list && setComments(list));
    return () => {
      wanted = false;
    };
    // Read again when somebody else has said something.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kind, about, open]);
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const text = said.trim();
    if (text === '' || busy) return;
    const made = await ask(() => call('POST /api/comments', { body: { kind, about, said: text } }));
    if (!made) return;
    setSaid('');
    setComments((list) => [made, ...(list ?? []).filter(({ id }) => id !== made.id)]);
  };
  const setDone = async (id: string, done: boolean) => {
    const changed = await ask(() => call('PUT /api/comments/{id}', { params: { id }, body: { done } }));
    if (changed) setComments((list) => (list ?? []).map((one) => (one.id === id ? changed : one)));
  };
  return (
    <div
      className="flex w-96 max-w-full flex-col gap-2 p-2 text-left font-normal whitespace-normal text-base-content"
      data-testid="comments"
    >
      {comments === null && !problem && <p className="text-soft">…</p>}
      <ul className="flex max-h-72 flex-col gap-2 overflow-y-auto">
        {(comments ?? []).map((comment) => (
          <Said key={comment.id} comment={comment} busy={busy} setDone={(done) => void setDone(comment.id, done)} />
        ))}
      </ul>
      <form className="flex flex-col gap-2" onSubmit={(event) => void add(event)}>
        <label className="flex flex-col text-small text-soft">
          Comment
          <textarea
            className="field min-h-16 text-base text-base-content"
            value={said}
            maxLength={2000}
            onChange={(event) => setSaid(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) event.currentTarget.form?.requestSubmit();
            }}
            data-testid="comment-text"
          />
        </label>
        {problem && <p role="alert">{`${problem.title}. ${problem.detail}`}</p>}
        <button type="submit" className="btn btn-primary btn-sm self-start" disabled={busy || said.trim() === ''}>
          Comment
        </button>
      </form>
    </div>
  );
}

function Said({
  comment: { said, madeBy, madeAt, done },
  busy,
  setDone,
}: {
  comment: Comment;
  busy: boolean;
  setDone: (done: boolean) => void;
}) {
  const write = useMoments();
  return (
    <li className={`border-l-2 pl-2 ${done ? 'border-hairline text-soft' : 'border-primary'}`}>
      <p className="break-words whitespace-pre-line">{said}</p>
      <p className="flex flex-wrap items-baseline gap-x-2 text-small text-soft">
        <span>{`${madeBy}, ${write(madeAt)}${done ? `; done by ${done.by}` : ''}`}</span>
        <button
          type="button"
          className="btn btn-xs"
          disabled={busy}
          onClick={() => setDone(!done)}
          aria-label={`${done ? 'Not done' : 'Done'}: ${said}`}
        >
          {done ? 'Not done' : 'Done'}
        </button>
      </p>
    </li>
  );
}
