import type { Region } from '../../page/use-regions.ts';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/**
 * A region of one or several countries, by its name or its code.
 *
 * @param told the region that holds while none is chosen, since the postcode tells it
 */
export function RegionChoice({
  regions,
  told,
  none,
  ...rest
}: CodeChoiceProps & { regions: readonly Region[]; told?: string | undefined }) {
  const nameOf = (code: string) => regions.find((region) => region.code === code)?.name ?? code;
  const instead = told === undefined ? none : `${nameOf(told)}, by the postcode`;
  return (
    <CodeChoice
      {...rest}
      {...(instead === undefined ? {} : { none: instead })}
      placeholder="A region"
      entries={() => regions.map(({ code, name }) => ({ value: code, name, hint: code }))}
      nameOf={nameOf}
    />
  );
}
