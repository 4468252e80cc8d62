import { readdirSync } from 'node:fs';
import { expect, test } from 'vitest';
import { calls } from '../../contract/calls.ts';
import { pageNeeds } from './page-needs.ts';

/** Routes of everything that answers, as files lie. */
const routes = readdirSync(new URL('../../pages', import.meta.url), { recursive: true, withFileTypes: true })
  .filter((file) => file.isFile())
  .map((file) => `${file.parentPath}/${file.name}`.replace(/^.*src\/pages/, ''))
  .map((path) => path.replace(/\.(ts|astro)$/, '').replace(/\/index$/, '') || '/');
const ofCalls = new Set(Object.keys(calls).map((name) => name.split(' ')[1]!.replaceAll(/\{(\w+)\}/g, '[$1]')));
const answered = routes.filter((route) => route !== '/api/[...path]');

test('every page says who may see it, and every other route is a call, which does', () => {
  expect(answered.length).toBeGreaterThan(80);
  expect(answered.filter((route) => !Object.hasOwn(pageNeeds, route) && !ofCalls.has(route))).toEqual([]);
  expect(answered.filter((route) => route.startsWith('/api/') && !ofCalls.has(route))).toEqual([]);
});

test('nothing is said of routes that are none', () => {
  expect(Object.keys(pageNeeds).filter((route) => !answered.includes(route))).toEqual([]);
  expect([...ofCalls].filter((route) => !answered.includes(route))).toEqual([]);
});
