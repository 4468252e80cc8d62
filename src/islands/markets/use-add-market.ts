import { addMarket, assignCountries } from '../../client/edits/market-edits.ts';
import { freshId, inTurn } from '../../client/edits/set-at.ts';
import { focusOn } from '../../ui/focus-soon.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useNotation } from '../page/page-context.tsx';
import { countryName } from '../page/place-names.ts';
import { useEdit } from '../page/use-edit.tsx';

/** The way to make countries a market of their own, called after the first one. @returns whether it was made */
export function useAddMarket(choose: (market: string) => void): (countries: readonly string[]) => boolean {
  const edit = useEdit();
  const { markets } = usePolicy();
  const { locale } = useNotation();
  return ([code, ...others]) => {
    if (code === undefined) return false;
    const name = countryName(code, locale);
    const id = freshId(name, markets);
    if (!edit(inTurn(addMarket(code, name), assignCountries(others, id)))) return false;
    choose(id);
    focusOn('market-name');
    return true;
  };
}
