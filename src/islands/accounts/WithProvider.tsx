import { call } from '../../client/http.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';

/** The way in by somebody else who knows who it is. */
export function WithProvider({ name, next }: { name: string; next: string }) {
  const { busy, problem, ask } = useAsking();
  const go = async () => {
    const way = await ask(() => call('POST /api/sign-in/provider', { body: { next } }));
    if (way) window.location.assign(way.address);
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-sm mt-3"
        disabled={busy}
        onClick={() => void go()}
        data-testid="with-provider"
      >
        Sign in by {name}
      </button>
      {problem && <Alert className="my-2">{`${problem.title}. ${problem.detail}`}</Alert>}
    </>
  );
}
