import type { Policy } from '../policy/types.ts';
import { sourceLanguageOf } from '../wording/languages/languages.ts';
import { isOutside } from '../wording/outside/outside-states.ts';
import { places } from '../wording/places.ts';
import { stateWords } from '../wording/text-address.ts';
import { speakerName } from '../wording/text-speaker.ts';
import { textTable, type TextCell, type TextRow } from '../wording/text-table.ts';
import { textParts, type TextPart } from './inline-codes.ts';

/** Source: XLIFF Version 2.1, OASIS Standard, whose core keeps the namespace of 2.0. */
export const xliffNamespace = 'urn:oasis:names:tc:xliff:document:2.0';

/** What the state beside a target's own means: written from a source text that has changed since. */
const staleSubState = 'summant:stale';

/** The id of a unit, a name token: offer, state and place. */
const unitId = ({ speakerId, state, place }: Pick<TextRow, 'speakerId' | 'state' | 'place'>): string =>
  `${speakerId}.${state}.${place}`;

/**
 * The store's texts for one language as an XLIFF 2.1 document: a unit for every text that stands in the source language and is
 * needed or written in the other. Arguments that stand by themselves are inline codes; plurals and selects are text.
 */
export function xliffOf(policy: Policy, language: string): string {
  const source = sourceLanguageOf(policy);
  const { languages, rows } = textTable(policy);
  const column = languages.indexOf(language);
  const units = rows.flatMap((row) => {
    const cell = row.cells[column];
    return row.source === undefined || !cell || cell.status === 'notNeeded'
      ? []
      : [unitOf(row, row.source, cell, speakerName(policy, row.speakerId))];
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<xliff xmlns="${xliffNamespace}" version="2.1" srcLang="${attribute(source)}" trgLang="${attribute(language)}">`,
    '  <file id="texts">',
    ...(units.length > 0
      ? units
      : [
          `    <notes><note>${content('There is nothing to translate.')}</note></notes>`,
          '    <unit id="none"><segment><source/></segment></unit>',
        ]),
    '  </file>',
    '</xliff>',
    '',
  ].join('\n');
}

function unitOf(row: TextRow, source: string, cell: TextCell, offerName: string): string {
  const state = stateWords(row.state);
  const inSource = textParts(source);
  const target = cell.status === 'written' || cell.status === 'stale' ? textParts(cell.text) : null;
  const codes = codesOf(inSource, target ?? []);
  const data = codes.all.map(({ id, argument }) => `        <data id="d${id}">${content(argument)}</data>`);
  const translated = cell.status === 'stale' ? `initial" subState="${staleSubState}` : 'translated';
  const judged = target ? translated : 'initial';
  return [
    `    <unit id="${attribute(unitId(row))}" name="${attribute(`${offerName}: ${state.name}`)}">`,
    `      <notes><note category="state">${content(`${offerName}: ${state.means}.`)}</note><note category="place">${content(whereRead(row))}</note></notes>`,
    ...(data.length > 0 ? ['      <originalData>', ...data, '      </originalData>'] : []),
    `      <segment state="${judged}">`,
    `        <source xml:space="preserve">${inline(inSource, codes.source)}</source>`,
    ...(target ? [`        <target xml:space="preserve">${inline(target, codes.target)}</target>`] : []),
    '      </segment>',
    '    </unit>',
  ].join('\n');
}

function whereRead({ state, place }: TextRow): string {
  if (isOutside(state)) return 'Read outside the shop.';
  return place === 'everyPlace'
    ? 'Shown in every place without a text of its own.'
    : `Shown in the ${places[place].name}, at most ${places[place].maxLength} characters.`;
}

interface Code {
  id: number;
  argument: string;
}

/** Numbers the codes of both texts: one in the target has the number of that in the source which it stands for. */
function codesOf(
  source: readonly TextPart[],
  target: readonly TextPart[],
): { source: number[]; target: number[]; all: Code[] } {
  const all: Code[] = [];
  const number = (argument: string) => {
    const id = all.length + 1;
    all.push({ id, argument });
    return id;
  };
  const argumentsIn = (parts: readonly TextPart[]) =>
    parts.flatMap((part) => ('argument' in part ? [part.argument] : []));
  const inSource = argumentsIn(source).map(number);
  const free = all.slice();
  const inTarget = argumentsIn(target).map((argument) => {
    const at = free.findIndex((code) => code.argument === argument);
    return at < 0 ? number(argument) : free.splice(at, 1)[0]!.id;
  });
  return { source: inSource, target: inTarget, all };
}

function inline(parts: readonly TextPart[], ids: readonly number[]): string {
  let next = 0;
  return parts
    .map((part) => {
      if ('text' in part) return content(part.text);
      const id = ids[next++]!;
      return `<ph id="${id}" dataRef="d${id}" disp="${attribute(part.argument)}"/>`;
    })
    .join('');
}

/** What XML cannot hold as a character is written as a code point of XLIFF; a carriage return would be read as a line feed. */
function content(text: string): string {
  let written = '';
  for (const character of text) {
    const code = character.codePointAt(0)!;
    if (character === '&') written += '&amp;';
    else if (character === '<') written += '&lt;';
    else if (character === '>') written += '&gt;';
    else if (character === '\r') written += '&#13;';
    else if (!isXmlCharacter(code)) written += `<cp hex="${code.toString(16).toUpperCase().padStart(4, '0')}"/>`;
    else written += character;
  }
  return written;
}

/** Source: Extensible Markup Language (XML) 1.0, production 2. */
const isXmlCharacter = (code: number): boolean =>
  code === 9 ||
  code === 10 ||
  code === 13 ||
  (code >= 0x20 && code <= 0xd7ff) ||
  (code >= 0xe000 && code <= 0xfffd) ||
  code >= 0x10000;

const attribute = (text: string): string =>
  text
    .replace(/[&<>"]/g, (character) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[character]!)
    .replace(/[\n\r\t]/g, ' ')
    .replace(/[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, '');
