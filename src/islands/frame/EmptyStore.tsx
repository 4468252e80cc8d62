import { useState } from 'react';
import { call, type HttpProblem } from '../../client/http.ts';

/** Nothing has been set yet: what to do next, with a button. Without a title it stands on Markets, where one begins. */
export function EmptyStore({ title }: { title?: string }) {
  const [loading, setLoading] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const load = async () => {
    setLoading(true);
    const answer = await call('POST /api/demo');
    if (answer.ok) window.location.reload();
    else {
      setProblem(answer.problem);
      setLoading(false);
    }
  };
  return (
    <div className={title ? 'max-w-[46rem] px-6 py-8' : 'mb-4 max-w-[46rem]'}>
      {title && <h1 className="text-head">{title}</h1>}
      <p className="mt-2 text-lead">
        This store sells nowhere yet: it has no market, no delivery option and no orders.{' '}
        {title ? (
          <>
            Begin at{' '}
            <a href="/markets" className="link link-primary">
              Markets
            </a>{' '}
            with a country
          </>
        ) : (
          'Begin with a country: click it, or find it by its name'
        )}
        , or look at the demo store, Gustmoor Kites, which shows how everything works; it is made up.
      </p>
      <button type="button" className="btn btn-primary btn-sm mt-4" onClick={() => void load()} disabled={loading}>
        {loading ? 'Loading 24,000 orders …' : 'Load the demo store'}
      </button>
      {problem && (
        <p role="alert" className="mt-3 text-error">
          {problem.title}. {problem.detail}
        </p>
      )}
    </div>
  );
}
