import { removeMarket } from '../../client/edits/market-edits.ts';
import { setAt } from '../../client/edits/set-at.ts';
import { parseAmount, toDecimal } from '../../core/money/decimal.ts';
import type { Market } from '../../core/policy/types.ts';
import { AddWord } from '../../ui/AddWord.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import type { Parsed } from '../../ui/TypedField.tsx';
import { ClockChoice } from '../fields/choices/ClockChoice.tsx';
import { CurrencyChoice } from '../fields/choices/CurrencyChoice.tsx';
import { FindingMark } from '../findings/FindingMark.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { EditedTexts } from '../fields/EditedTexts.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { useRegionsOfAll } from '../page/use-regions.ts';
import { Languages } from './Languages.tsx';
import { orNone, parseId, parseName, parsePercent } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

/** What a market fixes, as a sentence that reads aloud. */
export function MarketTerms({ marketId, market, gone }: { marketId: string; market: Market; gone: () => void }) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const { tax, currency } = market;
  const regions = useRegionsOfAll(market.countries);
  const at = (...steps: string[]) => ['markets', marketId, ...steps];
  const percent = (label: string, shown: string, steps: readonly string[], testId?: string) => (
    <EditedField
      label={label}
      shown={shown}
      parse={parsePercent}
      change={(value) => setAt(at('tax', ...steps), value)}
      live
      testId={testId}
    />
  );
  /** A smallest step of one unit is none. */
  const parseIncrement = orNone((text): Parsed<number | undefined> => {
    const parsed = parseAmount(text, currency);
    if (!parsed.ok) return parsed;
    return parsed.minor < 1
      ? { ok: false, reason: 'More than nothing, or empty.' }
      : { ok: true, value: parsed.minor === 1 ? undefined : parsed.minor };
  });
  const options = Object.values(policy.options).filter(({ zone }) => policy.zones[zone]?.market === marketId).length;
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('this market')}
        className="mt-3 border-t border-hairline pt-2"
        aria-label={`Market ${market.name}`}
      >
        <h2 className="text-title">
          <EditedField
            label="Name of the market"
            shown={market.name}
            parse={parseName}
            change={(value) => setAt(at('name'), value)}
            live
            testId="market-name"
          />{' '}
          <span className="font-sans text-small text-soft">
            {market.countries.length} {market.countries.length === 1 ? 'country' : 'countries'}
            {market.elsewhere ? ' and all others' : ''}
          </span>{' '}
          <FindingMark at={`/markets/${marketId}`} name={market.name} />
        </h2>
        {refusal}
        <p className="leading-7">
          sells in{' '}
          <CurrencyChoice
            label="Currency"
            value={currency}
            choose={(value) => edit(setAt(at('currency'), value))}
            testId="market-currency"
          />
          , prices{' '}
          <PhraseSelect
            label="Tax in prices"
            value={tax.prices}
            options={[
              ['withTax', 'with tax'],
              ['withoutTax', 'without tax'],
            ]}
            choose={(value) => edit(setAt(at('tax', 'prices'), value))}
          />
          , cash rounded to{' '}
          <EditedField
            label="Smallest cash step, empty for none"
            shown={market.cashIncrement ? toDecimal(market.cashIncrement, currency) : ''}
            parse={parseIncrement}
            change={(value) => setAt(at('cashIncrement'), value)}
            placeholder={`the smallest coin, ${toDecimal(1, currency)}`}
            testId="cash-increment"
          />
          ; at first{' '}
          <PhraseSelect
            label="Chosen at first"
            value={market.preselect}
            options={[
              ['first', 'the first option'],
              ['cheapest', 'the cheapest option'],
            ]}
            choose={(value) => edit(setAt(at('preselect'), value))}
          />{' '}
          is chosen. Clock of{' '}
          <ClockChoice
            label="Time zone"
            value={market.timeZone}
            none={`the store, ${policy.store.timeZone}`}
            choose={(value) => edit(setAt(at('timeZone'), value))}
            testId="market-clock"
          />
          .{' '}
          <label className="inline-flex items-center gap-1.5">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={market.elsewhere === true}
              onChange={(event) => edit(setAt(at('elsewhere'), event.target.checked ? true : undefined))}
            />
            takes every country that no market names
          </label>
        </p>
        <p className="leading-7">
          Tax on delivery {percent('Tax on delivery, percent', tax.delivery, ['delivery'], 'tax-delivery')} %; on goods:{' '}
          {Object.entries(tax.classes).map(([name, rate]) => (
            <span key={name} className="mr-3 whitespace-nowrap">
              {name} {percent(`Tax class ${name}, percent`, rate, ['classes', name])} %
              {name !== 'standard' && (
                <Remove what={`tax class ${name}`} remove={() => edit(setAt(at('tax', 'classes', name), undefined))} />
              )}
            </span>
          ))}
          <AddWord
            label="New tax class"
            placeholder="add a class"
            accept={(text) => parseId(text).ok}
            reason="Small letters, digits and hyphens."
            add={(name) => edit(setAt(at('tax', 'classes', name), tax.classes.standard ?? '0'))}
          />
          {Object.entries(tax.regions ?? {}).map(([region, differing]) => (
            <span key={region} className="mr-3 whitespace-nowrap">
              in {region}: delivery{' '}
              {percent(`Tax on delivery in ${region}, percent`, differing.delivery ?? tax.delivery, [
                'regions',
                region,
                'delivery',
              ])}{' '}
              %,{' '}
              {Object.keys(tax.classes).map((name) => (
                <span key={name}>
                  {name}{' '}
                  {percent(`Tax class ${name} in ${region}, percent`, differing.classes?.[name] ?? tax.classes[name]!, [
                    'regions',
                    region,
                    'classes',
                    name,
                  ])}{' '}
                  %{' '}
                </span>
              ))}
              <Remove
                what={`tax rates of ${region}`}
                remove={() =>
                  edit(
                    setAt(
                      Object.keys(tax.regions ?? {}).length === 1 ? at('tax', 'regions') : at('tax', 'regions', region),
                      undefined,
                    ),
                  )
                }
              />
            </span>
          ))}
          <Choice
            label="Region with tax rates of its own"
            shown="add a region"
            className="btn btn-xs"
            placeholder="A region"
            entries={() => regions.map(({ code, name }) => ({ value: code, name, hint: code }))}
            choose={(region) => edit(setAt(at('tax', 'regions', region), { delivery: tax.delivery }))}
          />
        </p>
        <Languages
          languages={market.languages}
          countries={market.countries}
          change={(languages) => edit(setAt(at('languages'), languages))}
        />
        <p className="leading-7">
          Whose address lies in no zone reads:{' '}
          <EditedTexts
            label="Out of area"
            at={at('outOfArea')}
            texts={market.outOfArea}
            languages={market.languages}
            placeholder="nothing"
            testId="out-of-area"
          />
        </p>
        <p className="text-small text-soft">
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => edit(removeMarket(marketId)) && gone()}
            data-testid="remove-market"
          >
            Remove this market
            {options > 0 ? ` with its ${options === 1 ? 'delivery option' : `${options} delivery options`}` : ''}
          </button>
        </p>
      </section>
    </GuardedEdits>
  );
}
