import { SaxesParser, type SaxesTagNS } from 'saxes';
import type { TextState } from '../offers/texts-written.ts';
import type { Policy } from '../policy/types.ts';
import type { TextPlace } from '../wording/places.ts';
import {
  judgeTranslations,
  type TranslatedText,
  type TranslationReading,
  type TranslationRejection,
} from './translation.ts';
import { xliffNamespace } from './write-xliff.ts';

interface Unit {
  id: string;
  data: Map<string, string>;
  /** source and target of each segment, in turn */
  segments: { source: string; target: string | null }[];
  /** what an inline code of a source stands for, by its id */
  codes: Map<string, string>;
}

interface Document {
  language: string | null;
  units: Unit[];
}

/**
 * Reads a translated XLIFF 2 document. A file that is not one, or breaks off, is refused as a whole: nothing of it would be
 * taken over.
 */
export function readXliff(file: string, policy: Policy): TranslationReading {
  const rejected: TranslationRejection[] = [];
  const document = parseDocument(file.replace(/^\ufeff/, ''), rejected);
  if (!document) return judgeTranslations(policy, [], rejected);
  const { language, units } = document;
  if (language === null)
    return judgeTranslations(
      policy,
      [],
      [{ at: 'the beginning', reason: 'it does not say into which language it is translated (trgLang)' }],
    );
  const texts = units.flatMap(({ id, segments }): (TranslatedText & { at: string })[] => {
    const [speakerId = '', state = '', place = ''] = id.split('.');
    if (segments.every(({ target }) => target === null)) return [];
    // A unit of which a part is not translated is not translated.
    const text = segments.some(({ target }) => target === null) ? '' : segments.map(({ target }) => target).join('');
    return [
      {
        at: id,
        address: { speakerId, state: state as TextState, place: place as TextPlace, language },
        text,
        madeFrom: segments.map(({ source }) => source).join(''),
      },
    ];
  });
  return judgeTranslations(policy, texts, rejected);
}

/** @returns null, with the reason put down, when the file cannot be read */
function parseDocument(file: string, rejected: TranslationRejection[]): Document | null {
  const document: Document = { language: null, units: [] };
  const parser = new SaxesParser({ xmlns: true });
  let failure: string | null = null;
  let seenRoot = false;
  let unit: Unit | null = null;
  let dataId: string | null = null;
  let side: 'source' | 'target' | null = null;
  const add = (text: string) => {
    if (unit && dataId !== null) unit.data.set(dataId, (unit.data.get(dataId) ?? '') + text);
    const segment = unit?.segments.at(-1);
    if (segment && side) segment[side] = (segment[side] ?? '') + text;
  };
  const value = (tag: SaxesTagNS, name: string) => tag.attributes[name]?.value;
  const code = (tag: SaxesTagNS) => {
    if (!unit) return;
    const id = value(tag, 'id') ?? '';
    const stands = unit.data.get(value(tag, 'dataRef') ?? '') ?? unit.codes.get(id) ?? value(tag, 'disp') ?? '';
    if (side === 'source') unit.codes.set(id, stands);
    add(stands);
  };
  const root = (tag: SaxesTagNS) => {
    seenRoot = true;
    if (tag.local !== 'xliff' || tag.uri !== xliffNamespace) failure ??= 'it is not an XLIFF document of version 2';
    document.language = value(tag, 'trgLang') ?? null;
  };
  const opened: Record<string, (tag: SaxesTagNS) => void> = {
    unit(tag) {
      unit = { id: value(tag, 'id') ?? '', data: new Map(), segments: [], codes: new Map() };
      document.units.push(unit);
    },
    data(tag) {
      dataId = value(tag, 'id') ?? '';
    },
    segment: () => unit?.segments.push({ source: '', target: null }),
    ignorable: () => unit?.segments.push({ source: '', target: null }),
    source() {
      side = 'source';
    },
    target() {
      side = 'target';
      add('');
    },
    ph: code,
    cp: (tag) => add(String.fromCodePoint(Math.min(0x10ffff, parseInt(value(tag, 'hex') ?? '0', 16) || 0))),
  };
  parser.on('opentag', (tag) => {
    if (!seenRoot) root(tag);
    if (tag.uri === xliffNamespace && Object.hasOwn(opened, tag.local)) opened[tag.local]!(tag);
  });
  parser.on('closetag', ({ local, uri }) => {
    if (uri !== xliffNamespace) return;
    if (local === 'unit') unit = null;
    else if (local === 'data') dataId = null;
    else if (local === 'source' || local === 'target') side = null;
  });
  parser.on('text', add);
  parser.on('cdata', add);
  parser.on('error', ({ message }) => {
    failure ??= `it is not well-formed XML (${message})`;
  });
  parser.write(file).close();
  if (!seenRoot) failure ??= 'it is empty';
  if (failure === null) return document;
  rejected.push({ at: 'the file', reason: failure });
  return null;
}
