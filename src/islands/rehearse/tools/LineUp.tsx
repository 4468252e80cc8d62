import { X } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { directionOf } from '../../../core/wording/languages/languages.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { rehearse, whyNothing, type Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow } from '../../page/page-context.tsx';
import { mostColumns, variationsOf, type Along, type Variation } from './variations.ts';

const alongNames: [Along, string][] = [
  ['shoppers', 'shoppers'],
  ['destinations', 'destinations'],
  ['moments', 'moments'],
  ['carts', 'other carts’ goods'],
];
const atFirst = 5;

/** Up to eight of something beside one another for one cart; what differs from the first column is strong. */
export function LineUp({
  cartId,
  cart,
  zone,
  along,
  chooseAlong,
}: {
  cartId: string;
  cart: TestCart;
  zone: CompiledZone | undefined;
  along: Along;
  chooseAlong: (along: Along) => void;
}) {
  const { locale } = useNotation();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const { store } = usePolicy();
  const [chosen, setChosen] = useState<Partial<Record<Along, string[]>>>({});
  const moment = useMemo(() => {
    const format = new Intl.DateTimeFormat(locale, {
      dateStyle: 'medium',
      timeStyle: 'short',
      timeZone: store.timeZone,
    });
    return (instant: number) => format.format(instant);
  }, [locale, store.timeZone]);
  const all = useMemo(
    () => variationsOf(along, { cartId, cart, compiled, zone, now, moment }),
    [along, cartId, cart, compiled, zone, now, moment],
  );
  const ids = chosen[along] ?? all.slice(0, atFirst).map(({ id }) => id);
  const shown = ids.flatMap((id) => all.find((one) => one.id === id) ?? []).slice(0, mostColumns);
  const columns = shown.map((variation) => ({
    variation,
    rehearsal: rehearse(compiled, catalogue, variation.cart, now),
  }));
  const left = all.filter(({ id }) => !ids.includes(id));
  const set = (next: string[]) => setChosen({ ...chosen, [along]: next });
  return (
    <section aria-label="Line-up" data-testid="line-up">
      <p className="flex flex-wrap items-baseline gap-x-2 py-1 text-small">
        <span className="text-soft">This cart for</span>
        <PhraseSelect
          label="What differs"
          value={along}
          options={alongNames}
          choose={(next) => chooseAlong(next as Along)}
          testId="line-up-along"
        />
        {left.length > 0 && ids.length < mostColumns && (
          <PhraseSelect
            label="Add a column"
            quiet
            value=""
            options={[['', 'add one more'], ...left.map(({ id, name }) => [id, name] as const)]}
            choose={(id) => id !== '' && set([...ids, id])}
            testId="line-up-add"
          />
        )}
        <span className="text-soft">What differs from the first column is strong.</span>
      </p>
      <Columns columns={columns} remove={ids.length > 1 ? (id) => set(ids.filter((other) => other !== id)) : null} />
    </section>
  );
}

interface Column {
  variation: Variation;
  rehearsal: Rehearsal;
}

function Columns({ columns, remove }: { columns: readonly Column[]; remove: ((id: string) => void) | null }) {
  const { money } = useNotation();
  const policy = usePolicy();
  const options = [
    ...new Set(
      columns.flatMap(({ rehearsal: { evaluation } }) =>
        evaluation.options.map(({ optionId }) => policy.options[optionId]?.name ?? optionId),
      ),
    ),
  ];
  const write = ({ evaluation }: Rehearsal, minor: number | undefined) => {
    if (minor === undefined || !evaluation.currency) return '–';
    if (minor === 0) return 'free';
    return money(minor, evaluation.currency);
  };
  const rows: { name: string; cells: { text: string; language?: string }[] }[] = [
    {
      name: 'market',
      cells: columns.map(({ rehearsal: { evaluation } }) => ({
        text: evaluation.marketId ? (policy.markets[evaluation.marketId]?.name ?? '') : 'none',
      })),
    },
    {
      name: 'reads',
      cells: columns.map(({ rehearsal, variation }) => ({
        text: rehearsal.message('strip')?.text ?? 'nothing',
        language: rehearsal.message('strip')?.found.language ?? variation.cart.language,
      })),
    },
    ...options.map((name) => ({
      name,
      cells: columns.map(({ rehearsal }) => ({
        text: write(
          rehearsal,
          rehearsal.evaluation.options.find(({ optionId }) => (policy.options[optionId]?.name ?? optionId) === name)
            ?.after,
        ),
      })),
    })),
    {
      name: 'to pay',
      cells: columns.map(({ rehearsal }) => ({
        text:
          rehearsal.evaluation.totals && rehearsal.evaluation.currency
            ? money(rehearsal.evaluation.totals.toPay, rehearsal.evaluation.currency)
            : '–',
      })),
    },
  ];
  const hindered = columns.some(({ rehearsal: { evaluation } }) => evaluation.noOptions);
  if (hindered)
    rows.push({
      name: 'hindrance',
      cells: columns.map(({ rehearsal: { evaluation } }) => ({
        text: evaluation.noOptions ? whyNothing[evaluation.noOptions] : '',
      })),
    });
  return (
    <div className="overflow-x-auto">
      <table className="table table-xs w-auto" data-testid="line-up-table">
        <thead>
          <tr className="border-b border-hairline align-bottom">
            <th scope="col" className="py-1 pr-3 font-normal">
              <span className="sr-only">What</span>
            </th>
            {columns.map(({ variation: { id, name } }) => (
              <th key={id} scope="col" className="min-w-[104px] py-1 pr-3 font-semibold">
                {name}
                {remove && (
                  <button
                    type="button"
                    className="btn btn-ghost btn-xs min-w-5 px-0 font-normal text-soft"
                    aria-label={`Take ${name} out of the line-up`}
                    onClick={() => remove(id)}
                  >
                    <X size={13} aria-hidden />
                  </button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, cells }) => (
            <tr key={name} className="border-b border-hairline align-top">
              <th scope="row" className="py-1 pr-3 font-normal whitespace-nowrap">
                {name}
              </th>
              {cells.map(({ text, language }, index) => (
                <td
                  key={index}
                  className={`py-1 pr-3 ${index > 0 && text !== cells[0]!.text ? 'font-semibold' : ''}`}
                  lang={language}
                  dir={language && directionOf(language)}
                >
                  {text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
