import { setAt } from '../../client/edits/set-at.ts';
import { allLanguages, sourceLanguageOf } from '../../core/wording/languages/languages.ts';
import { languageByName } from '../../core/wording/languages/language-by-name.ts';
import { EditedField } from '../fields/EditedField.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { countryName } from '../page/place-names.ts';
import { parseCountry, parseCurrency, parseName, parseText, parseTimeZone } from '../fields/typed-text.ts';

/** What holds for the store as a whole, in a sentence: its name, the currency that amounts follow, its clock, where goods leave from. */
export function StoreSettings() {
  const policy = usePolicy();
  const { locale } = useNotation();
  const { edit, refusal } = useGuardedEdit();
  const { store } = policy;
  const at = (...steps: string[]) => ['store', ...steps];
  const parseLanguageHere = (text: string) => {
    const tag = languageByName(text, store.origin.country, locale);
    return tag === null
      ? { ok: false as const, reason: 'A language by its name, or a tag such as nl-NL.' }
      : { ok: true as const, value: tag };
  };
  return (
    <GuardedEdits edit={edit}>
      <section className="mt-4 border-t border-hairline pt-2" aria-label="The store" data-testid="store-settings">
        <h2 className="text-[17px]">The store</h2>
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
          <EditedField
            label="Base currency"
            shown={store.baseCurrency}
            parse={parseCurrency}
            change={(value) => setAt(at('baseCurrency'), value)}
            testId="store-currency"
          />
          ; its clock, by which orders are cut off, is that of{' '}
          <EditedField
            label="Time zone of the store"
            shown={store.timeZone}
            parse={parseTimeZone}
            change={(value) => setAt(at('timeZone'), value)}
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
          <EditedField
            label="Country that goods leave from"
            shown={countryName(store.origin.country, locale)}
            parse={parseCountry}
            change={(value) => setAt(at('origin', 'country'), value)}
            testId="store-country"
          />
          . Texts are written first in{' '}
          <EditedField
            label="Source language"
            shown={sourceLanguageOf(policy)}
            parse={parseLanguageHere}
            change={(value) => setAt(at('sourceLanguage'), value)}
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
