import { optionKinds } from '../options/kinds/registry.ts';
import type { OptionSelection, Policy } from '../policy/types.ts';

/** Which options a claim is about, one of them: “parcel or pick-up”, “option tagged ‘green’”. */
export function optionInWords(on: OptionSelection, { options }: Policy): string {
  switch (on.by) {
    case 'all':
      return 'option';
    case 'kind':
      return on.kinds.map((kind) => optionKinds.of(kind).called).join(' or ');
    case 'tag':
      return `option tagged ${on.tags.map((tag) => `“${tag}”`).join(' or ')}`;
    case 'list':
      return `of ${Object.keys(on.options)
        .map((id) => `“${options[id]?.name ?? id}”`)
        .join(', ')}`;
  }
}
