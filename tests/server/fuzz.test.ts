import { afterAll, expect, inject, test } from 'vitest';
import { freshDatabase, startApplication, type Application } from '../support/application.ts';
import { FromSchema, seeded } from '../support/from-schema.ts';
import { openApiDocument } from '../../src/contract/openapi.ts';

/** Further on demand: FUZZ_REQUESTS=200000 FUZZ_SEED=7 npx vitest run --project server tests/server/fuzz.test.ts */
const requests = Number(process.env.FUZZ_REQUESTS ?? 10_000);
const seed = Number(process.env.FUZZ_SEED ?? 20_261_127);
const atOnce = 8;

type Schema = Record<string, unknown>;
interface Call {
  requestBody?: { content: Record<string, { schema: Schema }> };
  parameters?: { name: string; in: string; schema: Schema; required?: boolean }[];
}

let application: Application | undefined;
afterAll(async () => {
  await application?.stop();
});

const calls = Object.entries(openApiDocument.paths as unknown as Record<string, Record<string, Call>>).flatMap(
  ([path, methods]) => Object.entries(methods).map(([method, call]) => ({ path, method: method.toUpperCase(), call })),
);

test(`${requests} requests made from the description of the calls, odd ones among them: none fails here, none takes long, nothing dies`, async () => {
  application = await startApplication({
    DATABASE_URL: await freshDatabase(inject('databaseServerUrl'), 'summant_fuzz'),
    SUMMANT_LOG: 'silent',
  });
  const { address } = application;
  const random = seeded(seed);
  const make = new FromSchema(random, openApiDocument as unknown as Schema, 0.06);
  const answers = new Map<number, number>();
  const wrong: string[] = [];
  let slowest = { ms: 0, what: '' };
  let overASecond = 0;
  let revision = 1;
  let left = requests;

  const one = async () => {
    const { path, method, call } = make.pick(calls);
    let made: unknown;
    const parameter = (where: string) => (call.parameters ?? []).filter((known) => known.in === where);
    const text = (schema: Schema) =>
      encodeURIComponent(
        (typeof (made = make.value(schema)) === 'object' ? JSON.stringify(made) : String(made)).replace(
          /[\ud800-\udfff]/g,
          '?',
        ),
      );
    const at = path.replace(/\{(\w+)\}/g, (_, name: string) =>
      random() < 0.7
        ? String(make.pick([1, 2, 3, 999_999]))
        : text(parameter('path').find((known) => known.name === name)?.schema ?? {}),
    );
    const query = parameter('query')
      .filter(({ required }) => required || random() < 0.5)
      .map(({ name, schema }) => `${name}=${text(schema)}`);
    if (random() < 0.03)
      query.push(make.pick(['__proto__=1', 'language=en-US-US', 'since=99999999', 'offer=constructor', '%00=%ff']));
    const slash = random() < 0.02 ? '/' : '';
    const [type, content] = Object.entries(call.requestBody?.content ?? {})[0] ?? [];
    let body: string | undefined;
    if (content)
      body =
        random() < 0.02
          ? make.pick([
              '{',
              '[1,2',
              '"\\ud800"',
              '{"a":"\\udfff"}',
              '{"__proto__":{"a":1}}',
              '[]'.repeat(3),
              '['.repeat(3000),
              'null',
            ])
          : JSON.stringify(make.value(content.schema));
    const headers: Record<string, string> = {
      ...(type && body !== undefined ? { 'content-type': random() < 0.02 ? 'text/plain' : type } : {}),
    };
    if (parameter('header').some(({ name }) => name === 'If-Match'))
      headers['if-match'] =
        random() < 0.9 ? `"draft-${revision}"` : make.pick(['"draft-0"', 'x', '"draft-99999999999999999"', '*']);
    if (random() < 0.1) headers['accept-language'] = make.pick(['en-US-US', 'zz', '*', 'x'.repeat(200)]);
    const what = `${method} ${at}${slash}${query.length > 0 ? `?${query.join('&')}` : ''} ${(body ?? '').slice(0, 300)}`;
    const began = performance.now();
    try {
      const response = await fetch(`${address}${at}${slash}${query.length > 0 ? `?${query.join('&')}` : ''}`, {
        method,
        headers,
        ...(body === undefined ? {} : { body: body.replace(/[\ud800-\udfff]/g, '?') }),
        signal: AbortSignal.timeout(60_000),
      });
      // News do not end by themselves.
      const endless = response.headers.get('content-type') === 'text/event-stream';
      if (endless) await response.body!.cancel();
      const answer = endless ? new ArrayBuffer(0) : await response.arrayBuffer();
      const etag = /"draft-(\d+)"/.exec(response.headers.get('etag') ?? '');
      if (etag) revision = Number(etag[1]);
      answers.set(response.status, (answers.get(response.status) ?? 0) + 1);
      // The rate feed that it ships with may have been told to fail by a call before.
      const feedAway = response.status === 502 && path === '/api/rates/fetch';
      if (response.status >= 500 && !feedAway)
        wrong.push(`${response.status} ${what} → ${new TextDecoder().decode(answer).slice(0, 200)}`);
    } catch (error) {
      wrong.push(`${String(error)} ${what}`);
    }
    const ms = performance.now() - began;
    // These wait for an outside service, which a call before may have told to be silent.
    if (path === '/api/carriers/test' || path === '/api/rates/fetch' || path === '/api/quote') return;
    if (ms > slowest.ms) slowest = { ms, what };
    if (ms > 1000) overASecond++;
  };
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      while (left-- > 0) await one();
    }),
  );
  console.log(
    `fuzz: seed ${seed}, answers ${JSON.stringify(Object.fromEntries([...answers].sort(([a], [b]) => a - b)))}, over a second ${overASecond}, slowest ${Math.round(slowest.ms)} ms ${slowest.what.slice(0, 120)}`,
  );
  expect(wrong.slice(0, 5)).toEqual([]);
  // A busy machine makes anything slow; what blocks the process takes far longer than this.
  expect(slowest.ms).toBeLessThan(30_000);
  expect(application.process.exitCode).toBeNull();
  expect((await fetch(`${address}/readyz`)).status).toBe(200);
  for (const page of [
    '/offers',
    '/markets',
    '/delivery',
    '/wording',
    '/rehearse',
    '/release',
    '/orders',
    '/offers?offer=constructor',
    '/rehearse?cart=__proto__',
  ])
    expect([page, (await fetch(address + page)).status]).toEqual([page, 200]);
}, 600_000);
