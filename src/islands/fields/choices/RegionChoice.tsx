import type { Region } from '../../page/use-regions.ts';
import { CodeChoice, type CodeChoiceProps } from './CodeChoice.tsx';

/** A region of one or several countries, by its name or its code. */
export function RegionChoice({ regions, ...rest }: CodeChoiceProps & { regions: readonly Region[] }) {
  return (
    <CodeChoice
      {...rest}
      placeholder="A region"
      entries={() => regions.map(({ code, name }) => ({ value: code, name, hint: code }))}
      nameOf={(code) => regions.find((region) => region.code === code)?.name ?? code}
    />
  );
}
