import { setAt } from '../../client/edits/set-at.ts';
import { allLanguages, sourceLanguageOf } from '../../core/wording/languages/languages.ts';
import { ClockChoice } from '../fields/choices/ClockChoice.tsx';
import { CountryChoice } from '../fields/choices/CountryChoice.tsx';
import { CurrencyChoice } from '../fields/choices/CurrencyChoice.tsx';
import { LanguageChoice } from '../fields/choices/LanguageChoice.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { parseName, parseText } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

/** What holds for the store as a whole, in a sentence: its name, the currency that amounts follow, its clock, where goods leave from. */
export function StoreSettings() {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const { store } = policy;
  const at = (...steps: string[]) => ['store', ...steps];
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('the store')}
        className="mt-4 border-t border-hairline pt-2"
        aria-label="The store"
        data-testid="store-settings"
      >
        <h2 className="text-title">The store</h2>
        {refusal}
        <p className="leading-7">
          is called{' '}
          <EditedField
            label="Name of the store"
            shown={store.name}
            parse={parseName}
            change={(value) => setAt(at('name'), value)}
            testId="store-name"
          />
          . Its base currency, which other amounts may follow, is{' '}
          <CurrencyChoice
            label="Base currency"
            value={store.baseCurrency}
            choose={(value) => edit(setAt(at('baseCurrency'), value))}
            testId="store-currency"
          />
          ; its clock, by which orders are cut off, is that of{' '}
          <ClockChoice
            label="Time zone of the store"
            value={store.timeZone}
            choose={(value) => edit(setAt(at('timeZone'), value))}
            testId="store-clock"
          />
          . Goods leave from{' '}
          <EditedField
            label="Postcode that goods leave from"
            shown={store.origin.postcode}
            parse={parseText(16)}
            change={(value) => setAt(at('origin', 'postcode'), value)}
            placeholder="no postcode"
            testId="store-postcode"
          />{' '}
          in{' '}
          <CountryChoice
            label="Country that goods leave from"
            value={store.origin.country}
            choose={(value) => edit(setAt(at('origin', 'country'), value))}
            testId="store-country"
          />
          . Texts are written first in{' '}
          <LanguageChoice
            label="Source language"
            value={sourceLanguageOf(policy)}
            countries={[store.origin.country]}
            choose={(value) => edit(setAt(at('sourceLanguage'), value))}
            testId="store-language"
          />
          <span className="text-soft">
            {' '}
            and translated into{' '}
            {allLanguages(policy)
              .filter((language) => language !== sourceLanguageOf(policy))
              .join(', ') || 'nothing yet'}
          </span>
          .
        </p>
      </section>
    </GuardedEdits>
  );
}
