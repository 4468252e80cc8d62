// Source: XLIFF Version 2.1, OASIS Standard (13 February 2018), chapter 4: the order and number of elements, the attributes that
// must be there and what they may hold. A second reader is the npm package `xliff`; XML 1.0 says which characters a document holds.
import fc from 'fast-check';
import { SaxesParser } from 'saxes';
import { xliff2js } from 'xliff';
import { describe, expect, test } from 'vitest';
import { takeTranslations } from '../../src/client/edits/text-edits.ts';
import { withPatches } from '../../src/core/policy/patch.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { readXliff } from '../../src/core/translations/read-xliff.ts';
import { targetLanguages } from '../../src/core/translations/translation.ts';
import { xliffOf } from '../../src/core/translations/write-xliff.ts';
import { canBeShown } from '../../src/core/wording/faults.ts';
import { textTable } from '../../src/core/wording/text-table.ts';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';

/** What the standard allows inside each element, in order; `*` many, `+` at least one, `?` at most one. */
const inside: Record<string, RegExp> = {
  xliff: /^(file )+$/,
  file: /^(notes )?(unit )+$/,
  unit: /^(notes )?(originalData )?(segment |ignorable )+$/,
  notes: /^(note )+$/,
  originalData: /^(data )+$/,
  segment: /^source (target )?$/,
  source: /^((cp|ph) )*$/,
  target: /^((cp|ph) )*$/,
  note: /^$/,
  data: /^(cp )*$/,
  ph: /^$/,
  cp: /^$/,
};
const needed: Record<string, string[]> = {
  xliff: ['version', 'srcLang'],
  file: ['id'],
  unit: ['id'],
  data: ['id'],
  ph: ['id'],
  cp: ['hex'],
};
const allowed: Record<string, string[]> = {
  xliff: ['version', 'srcLang', 'trgLang', 'xmlns'],
  file: ['id'],
  unit: ['id', 'name'],
  note: ['category'],
  segment: ['state', 'subState'],
  source: ['xml:space'],
  target: ['xml:space'],
  data: ['id'],
  ph: ['id', 'dataRef', 'disp'],
  cp: ['hex'],
  notes: [],
  originalData: [],
};
const token = /^[A-Za-z0-9._:-]+$/;

/** Breaches of the standard in a document. */
function breaches(document: string): string[] {
  const found: string[] = [];
  const parser = new SaxesParser({ xmlns: true });
  const open: { name: string; children: string; codes: Set<string> }[] = [];
  const ids = new Set<string>();
  let data = new Set<string>();
  let states: Record<string, string> = {};
  parser.on('error', ({ message }) => found.push(message));
  parser.on('opentag', ({ name, attributes }) => {
    const parent = open.at(-1);
    if (parent) parent.children += `${name} `;
    const written = Object.fromEntries(Object.entries(attributes).map(([key, { value }]) => [key, value]));
    for (const attribute of needed[name] ?? []) if (!(attribute in written)) found.push(`${name} lacks ${attribute}`);
    for (const attribute of Object.keys(written))
      if (!allowed[name]?.includes(attribute)) found.push(`${name} has ${attribute}`);
    if (written.id !== undefined && !token.test(written.id)) found.push(`${name} id ${written.id}`);
    if (name === 'xliff' && (written.version !== '2.1' || written.xmlns !== 'urn:oasis:names:tc:xliff:document:2.0'))
      found.push('version or namespace');
    if (name === 'unit') {
      if (ids.has(written.id!)) found.push(`unit ${written.id} twice`);
      ids.add(written.id!);
      data = new Set();
    }
    if (name === 'data') data.add(written.id!);
    if (name === 'segment') states = written as Record<string, string>;
    if (name === 'segment' && written.state && !['initial', 'translated', 'reviewed', 'final'].includes(written.state))
      found.push(`state ${written.state}`);
    if (
      name === 'segment' &&
      written.subState !== undefined &&
      (!/^[^:]+:.+$/.test(written.subState) || !written.state)
    )
      found.push('subState');
    if (name === 'target' && !('trgLang' in rootAttributes)) found.push('target without trgLang');
    if (name === 'ph') {
      if (written.dataRef && !data.has(written.dataRef)) found.push(`no data ${written.dataRef}`);
      if (parent!.codes.has(written.id!)) found.push(`code ${written.id} twice`);
      parent!.codes.add(written.id!);
    }
    if (name === 'xliff') rootAttributes = written as Record<string, string>;
    open.push({ name, children: '', codes: new Set() });
  });
  parser.on('closetag', ({ name }) => {
    const { children } = open.pop()!;
    if (!inside[name]?.test(children)) found.push(`${name} holds ${children}`);
    if (
      name === 'segment' &&
      ['translated', 'reviewed', 'final'].includes(states.state ?? '') &&
      !children.includes('target')
    )
      found.push('a state beyond initial without a target');
  });
  parser.on('text', (text) => {
    if (text.trim() !== '' && !['source', 'target', 'note', 'data'].includes(open.at(-1)?.name ?? ''))
      found.push(`text in ${open.at(-1)?.name}`);
  });
  let rootAttributes: Record<string, string> = {};
  parser.write(document).close();
  return found;
}

test('the checks see what they are there for', () => {
  const good = xliffOf(demoPolicy, targetLanguages(demoPolicy)[0]!);
  for (const [from, to] of [
    ['version="2.1"', 'version="1.2"'],
    [/<source.*?<\/source>/, ''],
    ['<file id="texts">', '<file>'],
    ['state="translated"', 'state="done"'],
    ['dataRef="d1"', 'dataRef="d77"'],
  ] as const) {
    expect(good.replace(from, to)).not.toBe(good);
    expect(breaches(good.replace(from, to))).not.toEqual([]);
  }
});

describe('the demo store for every language', () => {
  for (const language of targetLanguages(demoPolicy)) {
    test(language, async () => {
      const document = xliffOf(demoPolicy, language);
      expect(breaches(document)).toEqual([]);
      expect(readXliff(document, demoPolicy)).toMatchObject({ changed: [], rejected: [] });
      const read = (await xliff2js(document)) as {
        sourceLanguage: string;
        targetLanguage: string;
        resources: Record<string, Record<string, unknown>>;
      };
      expect(read.targetLanguage).toBe(language);
      const { languages, rows } = textTable(demoPolicy);
      const units = rows.filter(
        ({ source, cells }) => source !== undefined && cells[languages.indexOf(language)]!.status !== 'notNeeded',
      );
      expect(Object.keys(read.resources.texts!).sort()).toEqual(
        units.map(({ speakerId, state, place }) => `${speakerId}.${state}.${place}`).sort(),
      );
    });
  }
});

test('whatever a text holds comes back as it was, through XLIFF and its inline codes', () => {
  const piece = fc.oneof(
    fc.string({ unit: 'grapheme', maxLength: 12 }),
    fc.constantFrom(
      '{remaining}',
      '{goal}',
      '{items, plural, one {# <b>} other {# & {goal}}}',
      "'{quoted}'",
      '\r\n',
      '\t',
      '  ',
      '<ph/>',
      ']]>',
      '\u0001',
      '\u2028',
      '=1',
      'שלום',
    ),
  );
  const texts = fc
    .array(piece, { maxLength: 6 })
    .map((pieces) => pieces.join(''))
    .filter((text) => text.trim() !== '' && text.length <= 1000 && canBeShown(text));
  const [language] = targetLanguages(demoPolicy);
  let checked = 0;
  fc.assert(
    fc.property(texts, texts, (source, target) => {
      const policy: Policy = structuredClone(demoPolicy);
      policy.wording['free-delivery']!.reached!.everyPlace = { 'en-GB': source, [language!]: target };
      const without: Policy = structuredClone(policy);
      delete without.wording['free-delivery']!.reached!.everyPlace![language!];
      const document = xliffOf(policy, language!);
      expect(breaches(document)).toEqual([]);
      const { changed } = readXliff(document, without);
      const back = changed.find(({ address }) => address.state === 'reached' && address.speakerId === 'free-delivery');
      if (!back) return; // asks for what this offer has not, such as {deadline}
      expect(back).toMatchObject({ text: target, madeFrom: source });
      expect(
        withPatches(without, [takeTranslations(changed)(without)]).wording['free-delivery']!.reached!.everyPlace![
          language!
        ],
      ).toBe(target);
      checked++;
    }),
    { numRuns: 400 },
  );
  expect(checked).toBeGreaterThan(300);
});
