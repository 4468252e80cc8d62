import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll } from 'vitest';
import type { MadeKey } from '../../src/contract/shapes/access-key.ts';
import { call } from './api.ts';

/** A page of a shop: what stands in its body, under which content policy, and with which files beside it. */
export interface ShopPage {
  body: string;
  /** by usual what docs/shop.md asks for and nothing else */
  policy?: string;
  files?: Record<string, string>;
}

/** Pages of another origin than Summant’s, with the element and a publishable key for that origin. */
export function usePagesOfAShop(summant: string): {
  /** serves a page. @returns its address */
  serve: (page: ShopPage) => string;
  key: () => string;
} {
  const pages = new Map<string, readonly [type: string, text: string, policy: string]>();
  let server: Server;
  let origin: string;
  let made: MadeKey;
  let element: { path: string; integrity: string };
  beforeAll(async () => {
    server = createServer(({ url }, response) => {
      const found = pages.get(url!.split('?')[0]!);
      if (!found) {
        response.writeHead(404).end();
        return;
      }
      const [type, text, policy] = found;
      response
        .writeHead(200, { 'content-type': `${type}; charset=utf-8`, 'content-security-policy': policy })
        .end(text);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
    const body = { name: 'Pages of a shop', kind: 'publishable', origins: [origin] };
    made = (await call<MadeKey>(summant, 'POST', '/api/keys', { body })).body;
    element = (await (await fetch(`${summant}/element/current.json`)).json()) as typeof element;
  });
  afterAll(async () => {
    await call(summant, 'DELETE', `/api/keys/${made.key.id}`);
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  });
  let count = 0;
  return {
    key: () => made.token,
    serve: ({ body, policy, files = {} }) => {
      const at = `/${++count}`;
      const usual = `default-src 'none'; script-src 'self' ${summant}; connect-src ${summant}; img-src ${summant}`;
      const text = `<!doctype html><html lang="en"><head><title>A page of a shop</title><script type="module" src="${summant}${element.path}" integrity="${element.integrity}" crossorigin="anonymous"></script></head><body><main><h1>A page of a shop</h1>${body.replaceAll('%KEY%', made.token).replaceAll('%SUMMANT%', summant).replaceAll('%AT%', at)}</main></body></html>`;
      pages.set(at, ['text/html', text, policy ?? usual]);
      for (const [name, content] of Object.entries(files))
        pages.set(`${at}/${name}`, ['text/javascript', content, usual]);
      return origin + at;
    },
  };
}
