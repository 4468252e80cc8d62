import { receiverSecret } from '../receivers/receiver-store.ts';
import { isVerified } from './verified-call.ts';

interface Told {
  kind: string;
  release: { number: number } | null;
}

/**
 * What a simulated system of the shop answers to what it is told: it takes calls only from whoever has the secret.
 *
 * @returns null: it does not believe it
 */
export async function simulatedReceiver(request: Request, address: string, body: string): Promise<string | null> {
  const { method, headers } = request;
  if (!(await isVerified({ method, url: address, headers }, body, receiverSecret))) return null;
  const { kind, release } = JSON.parse(body) as Told;
  const of = release ? `release ${release.number}` : 'a store without a release';
  return kind === 'test' ? `Understood, a test: ${of}.` : `Understood: ${of}. Prices kept so far are forgotten.`;
}
