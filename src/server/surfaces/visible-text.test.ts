import { expect, test } from 'vitest';
import { visiblePage } from './visible-text.ts';

test('a page is read as its readers see it: a line for each block, cells beside each other, and nothing hidden', () => {
  const page = visiblePage(`<!doctype html><html><head><title>T</title><style>p{}</style>
    <script type="application/ld+json">{"a":1}</script></head><body>
    <h1>Delivery &amp; <em>prices</em></h1><p>From <b>€&nbsp;75</b>
    it is free.<br>Always.</p><p hidden>€ 1</p><script>var price = 3</script>
    <table><tr><th>Parcel</th><td>€ 5</td></tr><tr><td>Express</td><td>€ 9</td></tr></table>
    <script type="APPLICATION/LD+JSON">{"b":2}</script></body></html>`);
  expect(page.text).toBe('Delivery & prices\nFrom €\u00a075 it is free.\nAlways.\nParcel | € 5\nExpress | € 9');
  expect(page.data).toEqual(['{"a":1}', '{"b":2}']);
});

test('what is broken, deep or no page at all is read as far as it goes', () => {
  expect(visiblePage('no page').text).toBe('no page');
  expect(visiblePage('').text).toBe('');
  expect(visiblePage('<p>open <b>bold').text).toBe('open bold');
  expect(visiblePage(`${'<div>'.repeat(5000)}deep`).text).toBe('');
});
