import { likelyLanguage } from '../../../core/wording/languages/likely-language.ts';
import { unworded } from '../../../core/reading/goal-wording.ts';
import { useNotation } from '../../page/page-context.tsx';

/** What orders do not say, and is assumed of what is taken over. @param markets whether markets are made */
export function Assumed({ countries, markets }: { countries: readonly string[]; markets: boolean }) {
  const { locale } = useNotation();
  const names = new Intl.DisplayNames([locale], { type: 'language' });
  const list = new Intl.ListFormat(locale, { type: 'conjunction' });
  const said = (languages: readonly string[]) =>
    list.format([...new Set(languages.map((language) => names.of(language.split('-')[0]!) ?? language))]);
  const languages = [...new Set(countries.map(likelyLanguage))];
  const without = unworded(languages);
  return (
    <p className="mt-1 text-small text-soft" data-testid="read-assumed">
      Orders do not say the rest. Assumed, until you say otherwise:{' '}
      {markets && (
        <>
          markets are called after their countries and speak the language most read there ({said(languages)}); prices
          include tax, whose rates stand at 0 % until they are set at Markets;{' '}
        </>
      )}
      options are parcels that take 1 to 3 working days, called what the orders call them
      {markets && (
        <>
          ; offers say what is lacking and that delivery is free
          {without.length > 0 && <>, but not yet in {said(without)}, to be written at Wording</>}
        </>
      )}
      .
    </p>
  );
}
