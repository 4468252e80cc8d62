import { createHmac } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

/** One call that a system of the shop was told by. */
export interface Heard {
  path: string;
  headers: Record<string, string>;
  body: string;
}

/** A system of the shop that is told of releases, on this machine. */
export interface ShopSystem {
  address: string;
  heard: Heard[];
  /** how it answers at the moment */
  answers: { status: number | 'silent'; body?: string; headers?: Record<string, string> };
  stop: () => Promise<void>;
}

export async function startShopSystem(port = 0): Promise<ShopSystem> {
  const server = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => (body += chunk.toString()));
    request.on('end', () => {
      system.heard.push({ path: request.url!, headers: request.headers as Record<string, string>, body });
      const { status, body: said = '', headers = {} } = system.answers;
      if (status !== 'silent') response.writeHead(status, headers).end(said);
    });
  });
  await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
  const system: ShopSystem = {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/released`,
    heard: [],
    answers: { status: 204 },
    stop: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    },
  };
  return system;
}

/** Works out by hand, as RFC 9421 writes it, whether a call is signed with a secret. @param secret hexadecimal */
export function isSignedWith(secret: string, address: string, { headers }: Heard): boolean {
  const parameters = headers['signature-input']!.replace(/^summant=/, '');
  const values: Record<string, string> = {
    '@method': 'POST',
    '@target-uri': address,
    'content-type': headers['content-type']!,
    'content-digest': headers['content-digest']!,
  };
  const names = /^\(([^)]*)\)/
    .exec(parameters)![1]!
    .split(' ')
    .map((name) => name.slice(1, -1));
  const base = [...names.map((name) => `"${name}": ${values[name]}`), `"@signature-params": ${parameters}`].join('\n');
  const made = createHmac('sha256', Buffer.from(secret, 'hex')).update(base).digest('base64');
  return headers.signature === `summant=:${made}:`;
}
