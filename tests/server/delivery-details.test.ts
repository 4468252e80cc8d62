import { expect, test } from 'vitest';
import pictures from '../../demo/pictures.json' with { type: 'json' };
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import type { Quote } from '../../src/contract/shapes/quote.ts';
import type { Product } from '../../src/core/catalogue/product.ts';
import { call, type ProblemBody } from '../support/api.ts';
import { address } from '../support/server-here.ts';

const send = (content: Uint8Array | string, type = 'image/png') =>
  fetch(`${address}/api/pictures`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: content as Uint8Array<ArrayBuffer>,
  });
const van = Buffer.from(pictures.van, 'base64');
const quote = (body: object) => call<Quote & ProblemBody>(address, 'POST', '/api/quote', { body });
const closeBy = {
  lines: [{ product: 'tidewing-16', quantity: 1 }],
  destination: { country: 'NL', postcode: '1799 ZA', coordinates: { latitude: 53.11, longitude: 4.86 } },
};

test('a picture is kept once, and served so that it can run nothing, to the pages of any shop', async () => {
  const { image } = demoPolicy.options['nlbe-round-van']!.picture!;
  const kept = await send(van);
  expect([kept.status, await kept.json()]).toEqual([201, { image }]);
  const served = await fetch(`${address}/pictures/${image}`);
  expect(Buffer.from(await served.arrayBuffer()).equals(van)).toBe(true);
  expect(Object.fromEntries(served.headers)).toMatchObject({
    'content-type': 'image/png',
    'x-content-type-options': 'nosniff',
    'content-security-policy': expect.stringMatching(/default-src 'none'.*sandbox/),
    'cross-origin-resource-policy': 'cross-origin',
    'cache-control': expect.stringContaining('immutable'),
  });
});

test('what is no square picture is refused by its bytes, whatever it is called', async () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>';
  expect((await send(svg)).status).toBe(422);
  expect((await send(svg, 'image/svg+xml')).status).toBe(422);
  const wide = Buffer.from(van);
  wide.writeUInt32BE(200, 16);
  expect((await send(wide)).status).toBe(422);
  expect((await send(Buffer.concat([van, Buffer.alloc(64 * 1024)]))).status).toBe(413);
  for (const image of ['0'.repeat(64), 'x', '%00', '..%2f..%2fetc'])
    expect((await fetch(`${address}/pictures/${image}`)).status).toBe(404);
});

test('a quote names what an option asks and shows, and what is wrong with answers', async () => {
  const { status, body } = await quote({
    ...closeBy,
    answers: { option: 'nlbe-round-van', given: { telephone: 'me' } },
  });
  expect([status, body.answerFaults]).toEqual([
    200,
    [
      { question: 'telephone', fault: 'notATelephone', message: 'is not a telephone number' },
      { question: 'spot', fault: 'missing', message: 'needs an answer' },
    ],
  ]);
  const door = body.options.find(({ id }) => id === 'nlbe-round-door')!;
  expect([door.questions, door.picture, door.waitsFor]).toEqual([[], null, null]);
  const unknown = await quote({ ...closeBy, answers: { option: 'no-such-option', given: {} } });
  expect([unknown.status, unknown.body.fields]).toEqual([
    422,
    [{ pointer: '/answers/option', message: 'there is no option "no-such-option"' }],
  ]);
});

test('a product takes days before it can leave, and quotes say what they wait for', async () => {
  const change = (was: number, now: number) =>
    call<{ product: Product }>(address, 'PATCH', '/api/products/line-25', {
      body: { field: 'preparationDays', was, now },
    });
  const told = async () => {
    const { body } = await quote({ ...closeBy, lines: [{ product: 'line-25', quantity: 1 }] });
    const door = body.options.find(({ id }) => id === 'nlbe-round-door')!;
    return { leaves: door.estimate.leaves, waitsFor: door.waitsFor };
  };
  const ordinary = await told();
  expect((await change(0, 4)).status).toBe(200);
  const later = await told();
  expect(later.waitsFor).toEqual({ product: 'line-25', days: 4 });
  expect(Date.parse(later.leaves) - Date.parse(ordinary.leaves)).toBeGreaterThanOrEqual(4 * 86_400_000);
  expect((await change(4, 0)).status).toBe(200);
  expect(await told()).toEqual(ordinary);
});
