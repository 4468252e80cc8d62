import { useEffect, useState } from 'react';
import { call } from '../../client/http.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useAsking } from '../page/use-asking.ts';
import { Bare } from './Bare.tsx';
import { CodesTold } from './Codes.tsx';

/** Where the provider sends people back to. What it says of them stands in the address, and is shown once. */
export default function BackPage() {
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const { problem, ask } = useAsking();
  useEffect(() => {
    const query = window.location.search;
    window.history.replaceState(null, '', window.location.pathname);
    void ask(() => call('POST /api/sign-in/provider/back', { body: { query: query || '?' } })).then((came) => {
      if (!came) return;
      if (came.codes.length > 0) setCodes(came.codes);
      else window.location.replace(came.next);
    });
    // Whoever comes back does so once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (codes) return <CodesTold codes={codes} />;
  return (
    <Bare title={problem ? problem.title : 'One moment …'}>
      {problem && (
        <>
          <Alert>{problem.detail}</Alert>
          <p className="pt-3">
            <a className="link link-primary" href="/sign-in">
              To signing in
            </a>
          </p>
        </>
      )}
    </Bare>
  );
}
