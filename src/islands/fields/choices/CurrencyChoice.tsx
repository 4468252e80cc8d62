import { currencyCodes } from '../../../core/money/currency.ts';
import { useNotation } from '../../page/page-context.tsx';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/** A currency, by its name or its three letters, which is what it reads as. */
export function CurrencyChoice(props: CodeChoiceProps) {
  const { locale } = useNotation();
  return (
    <CodeChoice
      {...props}
      placeholder="A currency"
      entries={() => {
        const names = new Intl.DisplayNames(locale, { type: 'currency' });
        return currencyCodes.map((code) => ({ value: code, name: code, hint: names.of(code) ?? '' }));
      }}
      nameOf={(code) => code}
    />
  );
}
