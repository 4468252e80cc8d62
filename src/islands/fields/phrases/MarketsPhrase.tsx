import { setMarkets } from '../../../client/edits/set-markets.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Offer } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** The markets that an offer or a notice is for. @param path of the table of markets in the policy @param every what is read where all are */
export function MarketsPhrase({
  path,
  chosen: table,
  every,
  testId,
}: {
  path: string[];
  chosen: Offer['markets'];
  every: string;
  testId: string;
}) {
  const edit = useEdit();
  const { markets } = usePolicy();
  const chosen = table ? Object.keys(table) : null;
  const others = inOrder(markets).filter(([id]) => !chosen?.includes(id));
  const set = (ids: readonly string[]) => edit(setMarkets(path, ids));
  return (
    <p>
      In{' '}
      {chosen?.map((id) => (
        <span key={id} className="mr-1">
          {markets[id]?.name ?? id}
          <Remove
            what={`${markets[id]?.name ?? id} from the markets`}
            remove={() => set(chosen.filter((other) => other !== id))}
          />
        </span>
      ))}
      <PhraseSelect
        label="Markets it is for"
        quiet={chosen !== null}
        value=""
        options={
          chosen
            ? [['', 'add a market'], ['*', 'every market'], ...others.map(([id, { name }]) => [id, name] as const)]
            : [['', every], ...others.map(([id, { name }]) => [id, `only ${name}`] as const)]
        }
        choose={(id) => set(id === '*' ? [] : [...(chosen ?? []), id])}
        testId={testId}
      />
    </p>
  );
}
