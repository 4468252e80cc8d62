import { readFile } from 'node:fs/promises';
import fc from 'fast-check';
import ipaddr from 'ipaddr.js';
import { describe, expect, test } from 'vitest';
import { addressTable } from './address-table.ts';

const heading = 'range,country,region\n';

describe('a table of addresses', () => {
  test('the narrowest range has the word', () => {
    const find = addressTable(`${heading}192.0.2.0/24,NL,\n192.0.2.64/26,US,US-NY\n2001:db8::/32,DE,\n`);
    expect(find('192.0.2.63')).toEqual({ country: 'NL', region: null });
    expect(find('192.0.2.64')).toEqual({ country: 'US', region: 'US-NY' });
    expect(find('::ffff:192.0.2.127')).toEqual({ country: 'US', region: 'US-NY' });
    expect(find('192.0.2.128')).toEqual({ country: 'NL', region: null });
    expect(find('2001:db8:ffff::1')).toEqual({ country: 'DE', region: null });
    for (const other of ['192.0.3.0', '2001:db9::1', '127.0.0.1', '', 'localhost', '192.0.2', '999.1.1.1'])
      expect([other, find(other)]).toEqual([other, null]);
  });
  test('all of IPv4 is no word on IPv6', () => {
    const find = addressTable(`${heading}0.0.0.0/0,NL,`);
    expect([find('203.0.113.9')?.country, find('2001:db8::1')]).toEqual(['NL', null]);
  });
  test('names the line that is none', () => {
    for (const line of ['192.0.2.0/33,NL,', '192.0.2.0,NL,', 'x,NL,', '192.0.2.0/24,Holland,', '192.0.2.0/24,NL,NH'])
      expect(() => addressTable(`${heading}192.0.2.0/24,NL,\n${line}`)).toThrow('line 3');
  });
  test('the one that ships has documentation ranges alone (RFC 5737, RFC 3849)', async () => {
    const csv = await readFile('stand-ins/addresses.csv', 'utf8');
    expect(addressTable(csv)('192.0.2.1')).toEqual({ country: 'NL', region: null });
    const documented = ['192.0.2.0/24', '198.51.100.0/24', '203.0.113.0/24', '2001:db8::/32'].map(ipaddr.parseCIDR);
    const ranges = csv.trim().split('\n').slice(1);
    expect(ranges.length).toBeGreaterThan(10);
    for (const range of ranges) {
      const [network, bits] = ipaddr.parseCIDR(range.split(',')[0]!);
      const inside = documented.some(
        ([whole, length]) => whole.kind() === network.kind() && bits >= length && network.match(whole, length),
      );
      expect([range, inside]).toEqual([range, true]);
    }
  });
  test('finds what looking through all of its ranges does', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.ipV4(), fc.integer({ min: 0, max: 32 })), { minLength: 1, maxLength: 30 }),
        fc.array(fc.tuple(fc.ipV6(), fc.integer({ min: 0, max: 128 })), { maxLength: 30 }),
        fc.array(fc.oneof(fc.ipV4(), fc.ipV6()), { minLength: 5, maxLength: 5 }),
        (four, six, others) => {
          const ranges = [...four, ...six].map(([address, bits], index) => ({
            range: ipaddr.parseCIDR(`${address}/${bits}`),
            line: `${address}/${bits},${country(index)},`,
            country: country(index),
          }));
          const find = addressTable(heading + ranges.map(({ line }) => line).join('\n'));
          for (const address of [...others, ...[...four, ...six].map(([own]) => own)]) {
            const one = ipaddr.process(address);
            const having = ranges.filter(
              ({ range: [network, bits] }) => network.kind() === one.kind() && one.match(network, bits),
            );
            const narrowest = Math.max(...having.map(({ range: [, bits] }) => bits));
            const said = having.filter(({ range: [, bits] }) => bits === narrowest).map((other) => other.country);
            // Of one range that is named twice the last has the word.
            expect([address, find(address)?.country ?? null]).toEqual([address, said.at(-1) ?? null]);
          }
        },
      ),
    ));
});

const country = (index: number): string => String.fromCharCode(65 + Math.floor(index / 26), 65 + (index % 26));
