import { useMemo, useState } from 'react';
import { keepTranslation } from '../../client/edits/text-edits.ts';
import { directionOf, sourceLanguageOf } from '../../core/wording/languages/languages.ts';
import { places } from '../../core/wording/places.ts';
import { addressKey, stateName, type TextAddress } from '../../core/wording/text-address.ts';
import { textTable, wantsWork, type TextCell, type TextRow } from '../../core/wording/text-table.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
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

/** As many rows as are drawn at once. */
const rowsAtOnce = 60;

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
  const [onlyWork, setOnlyWork] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const [most, setMost] = useState(rowsAtOnce);
  const source = sourceLanguageOf(policy);
  const beside = languages.filter((language) => language !== source);
  const columns = beside.includes(shownLanguages) ? [source, shownLanguages] : languages;
  const work = new Map(
    languages.map((language, index) => [language, rows.filter(({ cells }) => wantsWork(cells[index]!)).length]),
  );
  const inSight = rows.filter(
    ({ cells }) => !onlyWork || cells.some((cell) => columns.includes(cell.language) && wantsWork(cell)),
  );
  return (
    <section ref={part('all languages')} aria-label="All languages">
      <p className="flex flex-wrap items-baseline gap-x-4 py-1">
        <span>
          <PhraseSelect
            label="Languages shown"
            value={columns.length === 2 ? shownLanguages : ''}
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
      </p>
      <div className="overflow-x-auto">
        <table className="table table-xs min-w-full [&_td]:max-w-80 [&_td]:min-w-43" data-testid="language-table">
          <thead>
            <tr className="border-b border-hairline text-soft">
              <th scope="col" className="py-1 pr-3 font-normal">
                text
              </th>
              {columns.map((language) => (
                <th key={language} scope="col" className="py-1 pr-3 font-normal">
                  {language}
                  {language === source && ', written first'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {inSight.slice(0, most).map((row, index) => (
              <tr key={`${row.offerId} ${row.state} ${row.place}`} className="border-b border-hairline align-top">
                <th scope="row" className="py-1 pr-3 font-normal">
                  {row.offerId !== inSight[index - 1]?.offerId && (
                    <strong className="block font-semibold">{policy.offers[row.offerId]?.name}</strong>
                  )}
                  <span className="whitespace-nowrap">{stateName(row.state)}</span>
                  {row.place !== 'everyPlace' && (
                    <span className="block text-fine text-soft">{places[row.place].short}</span>
                  )}
                </th>
                {row.cells
                  .filter(({ language }) => columns.includes(language))
                  .map((cell) => (
                    <td key={cell.language} className="py-1 pr-3">
                      <Cell row={row} cell={cell} open={open} setOpen={setOpen} />
                    </td>
                  ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {inSight.length > most && (
        <button type="button" className="btn btn-xs mt-1" onClick={() => setMost(most + rowsAtOnce)}>
          Show {Math.min(rowsAtOnce, inSight.length - most)} more of {inSight.length - most}
        </button>
      )}
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
    () => ({ offerId: row.offerId, state: row.state, place: row.place, language: cell.language }),
    [row.offerId, row.state, row.place, cell.language],
  );
  const key = addressKey(address);
  const text = 'text' in cell ? cell.text : '';
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
