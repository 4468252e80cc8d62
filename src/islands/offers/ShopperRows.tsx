import { setAt } from '../../client/edits/set-at.ts';
import type { MadeUpShopper } from '../../core/policy/types.ts';
import { Remove } from '../../ui/Remove.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { ShopperFacts } from '../fields/ShopperFacts.tsx';
import { parseName } from '../fields/typed-text.ts';
import { useEdit } from '../page/use-edit.tsx';

/** Made-up shoppers, each with all that is known of them. */
export default function ShopperRows({
  shoppers,
  currency,
}: {
  shoppers: readonly (readonly [id: string, shopper: MadeUpShopper])[];
  currency: string;
}) {
  return (
    <ul className="text-small leading-7">
      {shoppers.map(([id, madeUp]) => (
        <OneShopper key={id} id={id} madeUp={madeUp} currency={currency} />
      ))}
    </ul>
  );
}

function OneShopper({
  id,
  madeUp: { name, shopper },
  currency,
}: {
  id: string;
  madeUp: MadeUpShopper;
  currency: string;
}) {
  const edit = useEdit();
  return (
    <li className="border-b border-hairline" data-testid={`shopper-${id}`}>
      <strong>
        <EditedField
          label="Name of the shopper"
          shown={name}
          parse={parseName}
          change={(value) => setAt(['shoppers', id, 'name'], value)}
        />
      </strong>{' '}
      <ShopperFacts steps={['shoppers', id, 'shopper']} name={name} shopper={shopper} currency={currency} id={id} />
      <Remove what={`shopper ${name}`} remove={() => edit(setAt(['shoppers', id], undefined))} />
    </li>
  );
}
