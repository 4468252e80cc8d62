import { useMemo, useState } from 'react';
import { changePatterns } from '../../client/edits/market-edits.ts';
import { coveredPatterns, readPastedPostcodes } from '../../core/geography/pasted-postcodes.ts';
import { canBePostcode } from '../../core/geography/postcode-forms.ts';
import { normalPostcode } from '../../core/geography/postcode.ts';
import { postcodeList } from '../../core/geography/postcode-list.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { useNotation } from '../page/page-context.tsx';
import { useGuardedEdit } from '../page/use-edit.tsx';
import { countryName } from '../page/place-names.ts';

/** Shown at once; a longer list is looked through by its search. */
const mostShown = 40;

/** The postcodes of a part: searched, marked where others cover them, taken out one by one, added to by pasting. */
export function PostcodePatterns({
  zoneId,
  side,
  partId,
  country,
  patterns,
}: {
  zoneId: string;
  side: 'include' | 'exclude';
  partId: string;
  country: string;
  patterns: Readonly<Record<string, true>>;
}) {
  const { edit, refusal } = useGuardedEdit();
  const [search, setSearch] = useState('');
  const [pasting, setPasting] = useState(false);
  const all = useMemo(() => Object.keys(patterns), [patterns]);
  const covered = useMemo(() => new Map(coveredPatterns(all).map(({ pattern, by }) => [pattern, by])), [all]);
  const wanted = normalPostcode(search);
  const hit = wanted === '' ? null : postcodeList(patterns)(wanted);
  const listed = wanted === '' ? all : all.filter((pattern) => pattern.includes(wanted));
  const change = (changes: { add?: readonly string[]; remove?: readonly string[] }) =>
    edit(changePatterns(zoneId, side, partId, changes));
  return (
    <span className="mt-0.5 block">
      <span className="flex flex-wrap items-baseline gap-x-3 text-small">
        <span>{all.length === 1 ? '1 entry' : `${all.length} entries`}</span>
        {covered.size > 0 && (
          <span className="text-warning">
            {covered.size} of them {covered.size === 1 ? 'lies' : 'lie'} within others{' '}
            <button type="button" className="btn btn-xs" onClick={() => change({ remove: [...covered.keys()] })}>
              take {covered.size === 1 ? 'it' : 'them'} out
            </button>
          </span>
        )}
        <input
          className="field"
          type="search"
          placeholder="Is … among them?"
          aria-label="Look for a postcode in the list"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        {wanted !== '' && <span className="text-soft">{hit ? `yes, by ${hit.pattern.text}` : 'no'}</span>}
        <button type="button" className="btn btn-xs" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
          add more
        </button>
      </span>
      {refusal}
      <span className="flex flex-wrap gap-x-2 text-small">
        {listed.slice(0, mostShown).map((pattern) => (
          <span
            key={pattern}
            className={`whitespace-nowrap ${covered.has(pattern) ? 'text-warning' : ''}`}
            title={covered.has(pattern) ? `within ${covered.get(pattern)}` : undefined}
          >
            {pattern.replace('..', ' to ')}
            {all.length > 1 && <Remove what={pattern} remove={() => change({ remove: [pattern] })} />}
          </span>
        ))}
        {listed.length > mostShown && <span className="text-soft">and {listed.length - mostShown} more</span>}
      </span>
      {pasting && (
        <PastePostcodes
          side={side}
          country={country}
          known={patterns}
          accept={(_, added) => {
            setPasting(false);
            change({ add: added });
          }}
        />
      )}
    </span>
  );
}

const noneKnown: Readonly<Record<string, true>> = {};

/** Postcodes pasted or typed, with what was understood before they are taken. */
export function PastePostcodes({
  side = 'include',
  countries,
  country: only,
  known = noneKnown,
  accept,
}: {
  side?: 'include' | 'exclude';
  countries?: readonly string[];
  country?: string;
  known?: Readonly<Record<string, true>>;
  accept: (country: string, patterns: string[]) => void;
}) {
  const { locale } = useNotation();
  const [country, setCountry] = useState(countries?.[0] ?? '');
  const [text, setText] = useState('');
  const read = useMemo(() => readPastedPostcodes(text), [text]);
  const fresh = useMemo(() => read.patterns.filter((pattern) => !known[pattern]), [read, known]);
  const strange = useMemo(
    () => fresh.filter((pattern) => !canBePostcode(only ?? country, pattern)),
    [fresh, only, country],
  );
  const covered = useMemo(() => {
    const added = new Set(fresh);
    return coveredPatterns([...Object.keys(known), ...fresh]).filter(({ pattern }) => added.has(pattern));
  }, [known, fresh]);
  return (
    <div className="my-1 max-w-[40rem] border-l-2 border-primary pl-3">
      {countries && (
        <p className="text-small">
          Postcodes in{' '}
          <PhraseSelect
            label="Country of the postcodes"
            value={country}
            options={countries.map((code) => [code, countryName(code, locale)] as const)}
            choose={setCountry}
          />
        </p>
      )}
      <textarea
        className="h-20 w-full rounded-[3px] border border-hairline bg-transparent p-1.5"
        aria-label="Postcodes, one a line or parted by commas"
        placeholder={'1799 ZA\n8891..8899\n17*'}
        value={text}
        onChange={(event) => setText(event.target.value)}
        data-testid="pasted-postcodes"
      />
      <p className="flex flex-wrap items-baseline gap-x-3 text-small" data-testid="pasted-report">
        <button
          type="button"
          className="btn btn-xs"
          disabled={fresh.length === 0}
          onClick={() => accept(country, fresh)}
        >
          {side === 'exclude' ? 'Leave out' : 'Take in'}
          {fresh.length > 0 && ` ${fresh.length}`}
        </button>
        {text === '' ? (
          <span className="text-soft">
            One a line, or parted by commas; * and ? stand for any characters, 1000..1999 for a range.
          </span>
        ) : (
          <>
            {read.repeated > 0 && <span>{read.repeated} stood there more than once</span>}
            {read.patterns.length > fresh.length && (
              <span>{read.patterns.length - fresh.length} are there already</span>
            )}
            {covered.length > 0 && (
              <span className="text-warning">
                {covered.length} {covered.length === 1 ? 'lies' : 'lie'} within others, such as {covered[0]!.pattern} in{' '}
                {covered[0]!.by}
              </span>
            )}
            {strange.length > 0 && (
              <span className="text-warning">
                {strange.length === 1 ? 'One looks' : `${strange.length} look`} like no postcode of{' '}
                {countryName(only ?? country, locale)}: {strange.slice(0, 3).join(', ')}
              </span>
            )}
            {read.unreadable.length > 0 && (
              <span className="text-error">
                {read.unreadable.length} cannot be read: line {read.unreadable[0]!.line}, “{read.unreadable[0]!.text}”{' '}
                {read.unreadable[0]!.reason}
              </span>
            )}
          </>
        )}
      </p>
    </div>
  );
}
