import { setAt } from '../../client/edits/set-at.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import type { Shopper } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { WordList } from '../../ui/WordList.tsx';
import { DateField } from './dates/DateField.tsx';
import { EditedField } from './EditedField.tsx';
import { orNone, parseCountry, parseMoney, parseText, parseWhole } from './typed-text.ts';
import { useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';
import { useEdit } from '../page/use-edit.tsx';

const known = [
  ['', 'nobody knows'],
  ['true', 'yes'],
  ['false', 'no'],
] as const;

/** All that a condition can ask of a shopper, as a sentence to be edited. @param steps to the shopper @param id for tests */
export function ShopperFacts({
  steps,
  name,
  shopper,
  currency,
  id,
}: {
  steps: readonly string[];
  name: string;
  shopper: Shopper;
  currency: string;
  id: string;
}) {
  const edit = useEdit();
  const { locale } = useNotation();
  const at = (field: string) => [...steps, field];
  return (
    <>
      <PhraseSelect
        label={`${name}: signed in`}
        value={String(shopper.signedIn)}
        options={[
          ['true', 'is signed in'],
          ['false', 'is a guest'],
        ]}
        choose={(value) => edit(setAt(at('signedIn'), value === 'true'))}
      />
      ; groups{' '}
      <WordList
        what={`group of ${name}`}
        words={shopper.groups}
        placeholder="add a group"
        change={(words) => edit(setAt(at('groups'), words))}
      />
      tags{' '}
      <WordList
        what={`tag of ${name}`}
        words={shopper.tags}
        placeholder="add a tag"
        change={(words) => edit(setAt(at('tags'), words))}
      />
      buys for a business:{' '}
      <PhraseSelect
        label={`${name}: buys for a business`}
        value={shopper.business === undefined ? '' : String(shopper.business)}
        options={known}
        choose={(value) => edit(setAt(at('business'), value === '' ? undefined : value === 'true'))}
      />
      ; is billed in{' '}
      <EditedField
        label={`${name}: billing country`}
        shown={shopper.billingCountry ? countryName(shopper.billingCountry, locale) : ''}
        parse={orNone(parseCountry)}
        change={(value: string | undefined) => setAt(at('billingCountry'), value)}
        placeholder="a country not known"
        testId={`billing-${id}`}
      />
      ; has ordered{' '}
      <EditedField
        label={`${name}: past orders`}
        shown={shopper.orderCount === undefined ? '' : String(shopper.orderCount)}
        parse={orNone<number>(parseWhole(0, 1_000_000))}
        change={(value: number | undefined) => setAt(at('orderCount'), value)}
        placeholder="unknown"
        testId={`orders-${id}`}
      />{' '}
      times, last on{' '}
      <DateField
        label={`${name}: last order`}
        value={shopper.lastOrderAt?.slice(0, 10) ?? ''}
        none="a day not known"
        change={(day) => edit(setAt(at('lastOrderAt'), day === '' ? undefined : `${day}T12:00Z`))}
      />
      , for{' '}
      <EditedField
        label={`${name}: spend so far, ${currency}`}
        shown={shopper.lifetimeSpend === undefined ? '' : toDecimal(shopper.lifetimeSpend, currency)}
        parse={orNone<number>(parseMoney(currency))}
        change={(value: number | undefined) => setAt(at('lifetimeSpend'), value)}
        placeholder="unknown"
      />{' '}
      {currency} in all; known to the shop as{' '}
      <EditedField
        label={`${name}: key`}
        shown={shopper.individual ?? ''}
        parse={parseText(60)}
        change={(value) => setAt(at('individual'), value === '' ? undefined : value)}
        placeholder="nobody"
      />
    </>
  );
}
