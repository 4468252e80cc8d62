import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { ListedSecret } from '../../contract/shapes/access-key.ts';
import { Alert } from '../../ui/Alert.tsx';
import { Told } from './Told.tsx';
import { useAsking } from '../page/use-asking.ts';
import { useMoments } from '../page/use-moments.ts';

/** The secret that quotes are signed with: a shop that has it proves by itself what was quoted. */
export function Signatures({ initial }: { initial: readonly ListedSecret[] }) {
  const [secrets, setSecrets] = useState(initial);
  const [told, setTold] = useState<string | null>(null);
  const { busy, problem, ask } = useAsking();
  const write = useMoments();
  const make = async () => {
    const made = await ask(() => call('POST /api/signing-secrets'));
    if (!made) return;
    setTold(made.secret);
    const listed = await ask(() => call('GET /api/signing-secrets'));
    if (listed) setSecrets(listed.secrets);
  };
  const [signing, ...retired] = secrets;
  return (
    <>
      <h2 className="text-title">Signatures</h2>
      <p className="max-w-[52rem] py-1">
        Quotes that a shop asks to have signed carry HMAC-SHA-256 over their canonical form. Whoever has the secret can
        prove what was quoted; <code>POST /api/quotes/verify</code> does it for those who have not.
      </p>
      {signing && (
        <p className="py-1">
          Signing: <code>{signing.id}</code>, made {write(signing.madeAt)}.{' '}
          {retired.length > 0 && (
            <span className="text-soft">
              What {retired.map(({ id }) => id).join(', ')} signed holds until it is over.{' '}
            </span>
          )}
          <button
            type="button"
            className="btn btn-xs"
            disabled={busy}
            onClick={() => void make()}
            data-testid="make-secret"
          >
            Make another and show it
          </button>
        </p>
      )}
      {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
      {told !== null && <Told what="The secret, hexadecimal" text={told} close={() => setTold(null)} />}
    </>
  );
}
