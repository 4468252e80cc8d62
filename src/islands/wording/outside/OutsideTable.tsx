import { useMemo } from 'react';
import { saveCsv } from '../../page/save-file.ts';
import { compilePolicy } from '../../../core/evaluation/compile.ts';
import { directionOf } from '../../../core/wording/languages/languages.ts';
import { stateName } from '../../../core/wording/text-address.ts';
import type { OutsideState } from '../../../core/wording/outside/outside-states.ts';
import { outsideTexts, type OutsideText, type Withheld } from '../../../core/wording/outside/outside-texts.ts';
import { CopyButton } from '../../../ui/CopyButton.tsx';
import { Table, type TableColumn } from '../../../ui/Table.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useNotation, useRelease } from '../../page/page-context.tsx';

/** A filled text, and what the shop holds to until the draft is released, where that is something else. */
interface Row extends OutsideText {
  market: string;
  now: OutsideText | null;
}

/** One text of an offer for outside, filled in every market and language, each to be copied. */
export function OutsideTable({
  speakerId,
  state,
  choose,
}: {
  speakerId: string;
  state: OutsideState;
  choose: (language: string) => void;
}) {
  const rows = useRows(speakerId, state);
  const common = commonTo(rows);
  const columns: TableColumn<Row>[] = [
    {
      id: 'market',
      name: 'Market',
      value: ({ market, language }) => `${market}, ${language}`,
      cell: ({ market, language }) => (
        <>
          {market}
          <span className="block text-fine text-soft">{language}</span>
        </>
      ),
      className: 'w-1/5',
    },
    {
      id: 'reads',
      name: 'Reads',
      value: ({ text, withheld }) => text ?? withheldBecause[withheld!],
      cell: (row) => <Reads row={row} id={idOf(state, row)} choose={choose} />,
      className: 'min-w-36',
    },
    {
      id: 'unsaid',
      name: 'Left unsaid',
      value: ({ unsaid }) => unsaid.join('; '),
      cell: ({ unsaid }) => <Unsaid clauses={unsaid.filter((clause) => !common.includes(clause))} />,
      className: 'w-1/3 text-soft',
    },
    {
      id: 'copy',
      name: 'Copy',
      bare: true,
      value: () => null,
      cell: (row) =>
        row.text !== null && (
          <CopyButton
            text={row.text}
            what={`${stateName(state)}, ${row.market}, ${row.language}`}
            textId={idOf(state, row)}
          />
        ),
      className: 'w-16 text-right',
    },
  ];
  if (rows.length === 0)
    return <p className="text-soft">The offer has a goal in no market, so there is nothing to say.</p>;
  return (
    <>
      {common.length > 0 && (
        <p className="my-1 text-small" data-testid={`unsaid-${state}`}>
          <span className="text-soft">Left unsaid in all of them:</span> {common.join('; ')}.
        </p>
      )}
      <Table
        label={`The ${stateName(state)}, filled`}
        columns={columns}
        rows={rows}
        keyOf={({ marketId, language }) => `${marketId} ${language}`}
        save={{
          what: `the ${stateName(state)}`,
          csv: (heading, body) => saveCsv(`${speakerId}-${state}`, heading, body),
        }}
        testId={`outside-${state}`}
        rowTestId={({ marketId, language }) => `outside-${state}-${marketId}-${language}`}
      />
    </>
  );
}

const idOf = (state: OutsideState, { marketId, language }: OutsideText): string =>
  `outside-${state}-${marketId}-${language}`;

function useRows(speakerId: string, state: OutsideState): Row[] {
  const policy = usePolicy();
  const release = useRelease();
  const catalogue = useCatalogue();
  const { locale } = useNotation();
  return useMemo(() => {
    const ownPrices = (marketId: string) =>
      [...catalogue.values()].some(({ ownDelivery }) => ownDelivery?.[marketId] !== undefined);
    const writer = { locale, ownPrices, written: policy };
    const held = release?.policy.offers[speakerId]?.on
      ? outsideTexts(compilePolicy(release.policy), speakerId, state, writer)
      : null;
    return outsideTexts(compilePolicy(policy), speakerId, state, writer).map((text): Row => {
      const now = held?.find(({ marketId, language }) => marketId === text.marketId && language === text.language);
      return {
        ...text,
        market: policy.markets[text.marketId]!.name,
        now: held && text.text !== null && !sameText(now, text) ? (now ?? givenNowhere(text)) : null,
      };
    });
  }, [policy, release, catalogue, locale, speakerId, state]);
}

const sameText = (a: OutsideText | undefined, b: OutsideText): boolean =>
  a?.text === b.text && a.unsaid.join() === b.unsaid.join();

const givenNowhere = ({ marketId, language }: OutsideText): OutsideText => ({
  marketId,
  language,
  text: null,
  withheld: 'givesNothing',
  unsaid: [],
});

/** Clauses that no text of any market says. */
function commonTo(rows: readonly Row[]): string[] {
  const [first, ...others] = rows.filter(({ text }) => text !== null);
  return first && others.length > 0
    ? first.unsaid.filter((clause) => others.every(({ unsaid }) => unsaid.includes(clause)))
    : [];
}

const withheldBecause: Record<Withheld, string> = {
  notWritten: 'not written yet',
  givesNothing: 'nothing is given here',
  notFree: 'it says that something is free, and nothing is here',
  notFilled: 'it cannot be filled here',
};

function Reads({
  row: { text, withheld, language, now },
  id,
  choose,
}: {
  row: Row;
  id: string;
  choose: (language: string) => void;
}) {
  if (text === null)
    return (
      <span className={withheld === 'notWritten' ? 'text-soft' : 'text-warning'}>
        {withheldBecause[withheld!]}{' '}
        {withheld !== 'givesNothing' && (
          <button type="button" className="link link-primary" onClick={() => choose(language)}>
            {withheld === 'notWritten' ? `write it in ${language}` : `look at it in ${language}`}
          </button>
        )}
      </span>
    );
  return (
    <>
      <p id={id} className="text-start whitespace-pre-line" lang={language} dir={directionOf(language)}>
        {text}
      </p>
      {now && (
        <p className="text-fine text-warning">
          until the draft is released:{' '}
          {now.text === null ? withheldBecause[now.withheld!] : <span lang={language}>“{now.text}”</span>}
          {now.text === text && now.unsaid.length > 0 && `, ${now.unsaid.join('; ')}`}
        </p>
      )}
    </>
  );
}

const Unsaid = ({ clauses }: { clauses: readonly string[] }) => <>{clauses.join('; ') || '–'}</>;
