import { useMemo, useState } from 'react';
import { keepTranslation } from '../../client/edits/text-edits.ts';
import { directionOf, sourceLanguageOf } from '../../core/wording/languages/languages.ts';
import { places } from '../../core/wording/places.ts';
import { addressKey, stateName, type TextAddress } from '../../core/wording/text-address.ts';
import { textSpeakers } from '../../core/wording/text-speaker.ts';
import { textTable, wantsWork, type TextCell, type TextRow } from '../../core/wording/text-table.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Table, type TableColumn } from '../../ui/Table.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { TextEditor } from './TextEditor.tsx';
import { part } from '../page/parts.ts';

const statusWords: Record<TextCell['status'], string> = {
  written: '',
  stale: 'source has changed',
  unfinished: 'unfinished',
  fallsBack: 'falls back',
  missing: 'missing',
  notNeeded: '',
};

/** All texts in all markets' languages side by side: the source first, what wants work marked; a cell is edited in place. */
export function LanguageTable({
  shownLanguages,
  choose,
}: {
  shownLanguages: string;
  choose: (languages: string) => void;
}) {
  const policy = usePolicy();
  const { languages, rows } = useMemo(() => textTable(policy), [policy]);
  const { offers, notices } = policy;
  const names = useMemo(
    () => new Map(textSpeakers({ offers, ...(notices ? { notices } : {}) }).map(({ id, name }) => [id, name])),
    [offers, notices],
  );
  const [onlyWork, setOnlyWork] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const source = sourceLanguageOf(policy);
  const beside = languages.filter((language) => language !== source);
  const shown = useMemo(
    () => (shownLanguages !== source && languages.includes(shownLanguages) ? [source, shownLanguages] : languages),
    [shownLanguages, source, languages],
  );
  const work = new Map(
    languages.map((language, index) => [language, rows.filter(({ cells }) => wantsWork(cells[index]!)).length]),
  );
  const inSight = useMemo(
    () =>
      onlyWork
        ? rows.filter(({ cells }) => cells.some((cell) => shown.includes(cell.language) && wantsWork(cell)))
        : rows,
    [onlyWork, rows, shown],
  );
  const columns = useMemo<TableColumn<TextRow>[]>(
    () => [
      {
        id: 'text',
        name: 'text',
        value: (row) => `${names.get(row.speakerId) ?? ''} ${stateName(row.state)}`,
        pinned: true,
        cell: (row) => <TextName row={row} offer={names.get(row.speakerId) ?? ''} />,
      },
      ...shown.map((language): TableColumn<TextRow> => {
        const cellOf = ({ cells }: TextRow) => cells.find((cell) => cell.language === language)!;
        return {
          id: language,
          name: language === source ? `${language}, written first` : language,
          value: (row) => textOf(cellOf(row)),
          cell: (row) => <Cell row={row} cell={cellOf(row)} open={open} setOpen={setOpen} />,
          className: 'max-w-80 min-w-43',
        };
      }),
    ],
    [shown, names, source, open],
  );
  return (
    <section ref={part('all languages')} aria-label="All languages">
      <Table
        label="All texts"
        columns={columns}
        rows={inSight}
        keyOf={(row) => `${row.speakerId} ${row.state} ${row.place}`}
        search="Find a text"
        testId="language-table"
      >
        <span>
          <PhraseSelect
            label="Languages shown"
            value={shown.length === 2 ? shownLanguages : ''}
            options={[
              ['', `all ${languages.length} languages`],
              ...beside.map((language) => [language, `${source} and ${language}`] as const),
            ]}
            choose={choose}
            testId="languages-shown"
          />
        </span>
        <label className="inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={onlyWork}
            onChange={(event) => setOnlyWork(event.target.checked)}
            data-testid="only-work"
          />
          only what wants work
        </label>
        <span className="text-soft" data-testid="work-count">
          {[...work]
            .filter(([, count]) => count > 0)
            .map(([language, count]) => `${language} ${count}`)
            .join(' · ') || 'nothing wants work'}
        </span>
      </Table>
      {inSight.length === 0 && (
        <p className="py-2 text-soft">
          {rows.length === 0
            ? 'No text is written yet. The storyboard is where it begins.'
            : 'Nothing wants work in these languages.'}
        </p>
      )}
    </section>
  );
}

/** Of which offer, in which state and place. */
function TextName({ row: { speakerId, state, place }, offer }: { row: TextRow; offer: string }) {
  return (
    <>
      <span className="whitespace-nowrap">
        {stateName(state)} <FindingMark at={`/wording/${speakerId}/${state}/${place}`} name={stateName(state)} />
      </span>
      <span className="block text-fine text-soft">
        {offer}
        {place !== 'everyPlace' && ` · ${places[place].short}`}
      </span>
    </>
  );
}

const textOf = (cell: TextCell): string => ('text' in cell ? cell.text : '');

function Cell({
  row,
  cell,
  open,
  setOpen,
}: {
  row: TextRow;
  cell: TextCell;
  open: string | null;
  setOpen: (key: string | null) => void;
}) {
  const edit = useEdit();
  const address = useMemo<TextAddress>(
    () => ({ speakerId: row.speakerId, state: row.state, place: row.place, language: cell.language }),
    [row.speakerId, row.state, row.place, cell.language],
  );
  const key = addressKey(address);
  const text = textOf(cell);
  const written = cell.status === 'written' || cell.status === 'stale' || cell.status === 'unfinished';
  const name = `${stateName(row.state)}, ${cell.language}${row.place === 'everyPlace' ? '' : `, ${row.place}`}`;
  const shownIn = cell.status === 'fallsBack' ? cell.to : cell.language;
  const blank = cell.status === 'missing' ? '–' : '·';
  const shown = written || cell.status === 'fallsBack' ? text : blank;
  const said = cell.status === 'fallsBack' ? `falls back to ${cell.to}` : statusWords[cell.status];
  return (
    <div data-testid={`cell-${key}`}>
      {open === key ? (
        <TextEditor
          address={address}
          label={name}
          inherited={
            cell.status === 'fallsBack'
              ? { text, state: row.state, language: cell.to, inherited: false, fallback: { wanted: cell.language } }
              : null
          }
          focused
        />
      ) : (
        <button
          type="button"
          className={`block w-full rounded-xs px-1 py-px text-start wrap-anywhere hover:bg-base-300 ${written ? '' : 'text-soft italic'}`}
          lang={shownIn}
          dir={directionOf(shownIn)}
          aria-label={`${shown}, edit ${name}`}
          onClick={() => setOpen(key)}
        >
          {shown}
        </button>
      )}
      {said && (
        <p className="text-fine text-warning">
          {said}
          {cell.status === 'stale' && (
            <>
              {' '}
              <span className="text-soft">from “{cell.madeFrom}”</span>{' '}
              <button type="button" className="link link-primary" onClick={() => edit(keepTranslation(address))}>
                still right
              </button>
            </>
          )}
        </p>
      )}
    </div>
  );
}
