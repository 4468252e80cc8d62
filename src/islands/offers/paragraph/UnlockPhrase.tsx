import { useMemo, useState } from 'react';
import { addCodes, setUnlock } from '../../../client/edits/offer-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import { codeBatch, codesOf, guessOdds, leastLength, mostLength } from '../../../core/offers/authoring/code-batch.ts';
import { isCode } from '../../../core/offers/code-shape.ts';
import type { Offer } from '../../../core/policy/types.ts';
import { AddWord } from '../../../ui/AddWord.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { SaveAs } from '../../../ui/SaveAs.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { saveCsv } from '../../page/save-file.ts';
import { useEdit } from '../../page/use-edit.tsx';

const CodeTable = lazyPart(() => import('./CodeTable.tsx'), <p className="text-soft">Listing …</p>);

const ways: [Offer['unlock']['by'], string][] = [
  ['amount', 'an amount'],
  ['code', 'a code'],
  ['amountOrCode', 'an amount or a code'],
  ['amountAndCode', 'an amount and a code'],
];

export const randomBytes = (count: number) => crypto.getRandomValues(new Uint8Array(count));
const mostShown = 12;

/** By what the offer is unlocked, and its codes: typed one by one, or a batch that nobody can guess. */
export function UnlockPhrase({ offerId, unlock, name }: { offerId: string; unlock: Offer['unlock']; name: string }) {
  const edit = useEdit();
  const [making, setMaking] = useState(false);
  const [listed, setListed] = useState(false);
  const codes = useMemo(() => (unlock.by === 'amount' ? [] : Object.keys(unlock.codes)), [unlock]);
  return (
    <div>
      <p>
        Unlocked by{' '}
        <PhraseSelect
          label="Unlocked by"
          value={unlock.by}
          options={ways}
          choose={(by) => edit(setUnlock(offerId, by as Offer['unlock']['by'], codeBatch(1, 8, '', randomBytes)[0]!))}
          testId="unlock"
        />
        {unlock.by !== 'amount' && (
          <span className="text-small" data-testid="codes">
            {': '}
            {codes.slice(0, mostShown).map((code) => (
              <span key={code} className="mr-2">
                {code}
                {codes.length > 1 && (
                  <Remove
                    what={`code ${code}`}
                    remove={() => edit(setAt(['offers', offerId, 'unlock', 'codes', code], undefined))}
                  />
                )}
              </span>
            ))}
            {codes.length > mostShown && (
              <button
                type="button"
                className="btn btn-xs mr-2"
                aria-expanded={listed}
                onClick={() => setListed(!listed)}
                data-testid="all-codes"
              >
                {listed ? 'fewer' : `and ${codes.length - mostShown} more`}
              </button>
            )}
            <AddWord
              label="New code"
              placeholder="add a code"
              accept={(text) => isCode(text.toUpperCase()) && !codes.includes(text.toUpperCase())}
              reason="Letters, digits, - and _, and not there yet."
              add={(text) => edit(addCodes(offerId, [text.toUpperCase()]))}
            />
            <button
              type="button"
              className="btn btn-xs"
              aria-expanded={making}
              onClick={() => setMaking(!making)}
              data-testid="make-codes"
            >
              many at once
            </button>
            {codes.length > 1 && (
              <SaveAs
                what="the codes"
                forms={[
                  {
                    name: 'CSV',
                    save: () =>
                      saveCsv(
                        `codes-${offerId}`,
                        ['offer', 'code'],
                        codes.map((code) => [name, code]),
                      ),
                  },
                ]}
              />
            )}
          </span>
        )}
      </p>
      {listed && codes.length > mostShown && <CodeTable offerId={offerId} codes={codes} />}
      {making && unlock.by !== 'amount' && (
        <Batch taken={codes} make={(batch) => edit(addCodes(offerId, batch)) && setMaking(false)} />
      )}
    </div>
  );
}

/** Codes of one offer that a policy can hold. */
const most = 5000;

function Batch({ taken, make }: { taken: readonly string[]; make: (codes: string[]) => void }) {
  const { locale } = useNotation();
  const [count, setCount] = useState('100');
  const [length, setLength] = useState('8');
  const [begin, setBegin] = useState('');
  const [wanted, letters] = [Number(count), Number(length)];
  const start = begin.trim().toUpperCase();
  const faults: [boolean, string][] = [
    [!/^\d+$/.test(count) || wanted < 1, 'How many is a whole number.'],
    [taken.length + wanted > most, `An offer has at most ${most} codes.`],
    [
      !/^\d+$/.test(length) || letters < leastLength || letters > mostLength,
      `${leastLength} to ${mostLength} letters.`,
    ],
    [
      start !== '' && !/^[A-Z0-9][A-Z0-9_-]{0,15}$/.test(start),
      'They may begin with up to 16 letters, digits, - and _.',
    ],
    [wanted > codesOf(letters) / 1000, 'So many of this length could be found by trying. Make them longer.'],
  ];
  const wrong = faults.find(([holds]) => holds)?.[1] ?? null;
  const field = (label: string, value: string, set: (text: string) => void, testId: string) => (
    <input
      className="field"
      aria-label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      data-testid={testId}
    />
  );
  const odds = new Intl.NumberFormat(locale, { notation: 'compact', maximumSignificantDigits: 2 });
  return (
    <p className="border-l-2 border-primary pl-3 text-small">
      Make {field('How many codes', count, setCount, 'batch-count')} codes of{' '}
      {field('Letters of a code', length, setLength, 'batch-length')} letters, beginning with{' '}
      {field('Beginning of the codes', begin, setBegin, 'batch-begin')}{' '}
      <button
        type="button"
        className="btn btn-xs btn-primary"
        disabled={wrong !== null}
        onClick={() => make(codeBatch(wanted, letters, start, randomBytes, new Set(taken)))}
        data-testid="batch-make"
      >
        Make them
      </button>{' '}
      {wrong ? (
        <span className="text-error">{wrong}</span>
      ) : (
        <span className="text-soft">
          one try in {odds.format(1 / guessOdds(taken.length + wanted, letters))} would hit one of them
        </span>
      )}
    </p>
  );
}
