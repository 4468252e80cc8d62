import { useState, type ReactNode } from 'react';
import { rewardOfKind, setAmountIn, setReward } from '../../../client/edits/offer-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import type { Amounts, Reward } from '../../../core/policy/types.ts';
import type { RewardField } from '../../../core/offers/reward.ts';
import { rewardKindOf, rewardKinds } from '../../../core/offers/rewards/registry.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { GoodsPhrase } from '../../conditions/GoodsPhrase.tsx';
import { AmountField } from '../../fields/AmountField.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCatalogue } from '../../page/page-context.tsx';
import { parsePercentTo, parseWhole } from '../../fields/typed-text.ts';
import { OptionsPhrase } from '../../fields/phrases/OptionsPhrase.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** What shoppers get at a goal, as a clause. Amounts are those of one market; others keep theirs. */
export function RewardPhrase({
  offerId,
  goalId,
  rewardId,
  reward,
  label,
  marketId,
  removable,
}: {
  offerId: string;
  goalId: string;
  rewardId: string;
  reward: Reward;
  label: string;
  marketId: string;
  removable: boolean;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const { fields } = rewardKindOf(reward);
  const has = (field: RewardField): boolean => fields.includes(field);
  const catalogue = useCatalogue();
  const at = (...steps: string[]) => ['offers', offerId, 'goals', goalId, 'rewards', rewardId, ...steps];
  const { currency } = policy.markets[marketId]!;
  const [first] = catalogue.keys();
  const amount = (name: string, field: 'price' | 'amount' | 'cap', table: Amounts | undefined, optional: string) => (
    <>
      <AmountField
        label={`${name}, ${label}, ${currency}`}
        amount={table?.[marketId]}
        marketId={marketId}
        change={(value) => setAmountIn(at(field), marketId, value)}
        optional={optional}
        testId={`${field}-${rewardId}`}
      />{' '}
      {currency}
    </>
  );
  const percent = (
    <EditedField
      label={`Percentage, ${label}`}
      shown={'percent' in reward ? reward.percent : ''}
      parse={parsePercentTo(100)}
      change={(value) => setAt(at('percent'), value)}
      live
      align="right"
      testId={`percent-${rewardId}`}
    />
  );
  return (
    <>
      <PhraseSelect
        label={`What shoppers get, ${label}`}
        value={reward.kind}
        options={rewardKinds.all.map((record) => [record.kind, record.offered] as const)}
        choose={(kind) =>
          edit(setReward(offerId, goalId, rewardId, rewardOfKind(kind as Reward['kind'], reward, policy, first ?? '')))
        }
        testId={`reward-${rewardId}`}
      />{' '}
      {has('price') && 'price' in reward && <>{amount('Price', 'price', reward.price, 'no amount')} </>}
      {has('amount') && 'amount' in reward && <>{amount('Amount', 'amount', reward.amount, 'no amount')} </>}
      {has('percent') && <>{percent} % </>}
      {has('gift') && 'product' in reward && <GiftPhrase at={at} reward={reward} label={label} />}
      {has('goods') && (
        <>
          {'goods' in reward && reward.goods ? (
            <>
              on <GoodsPhrase goods={reward.goods} markets={[marketId]} change={(goods) => setAt(at('goods'), goods)} />
              <Remove what={`goods of the reward, ${label}`} remove={() => edit(setAt(at('goods'), undefined))} />
            </>
          ) : (
            'on all goods'
          )}
        </>
      )}
      {has('options') && 'on' in reward && (
        <DeliveryOptionsPhrase
          at={at}
          reward={reward}
          label={label}
          marketId={marketId}
          cap={(table) => amount('Cap', 'cap', table, 'any amount')}
        />
      )}
      {removable && <Remove what={`this reward of ${label}`} remove={() => edit(setAt(at(), undefined))} />}
    </>
  );
}

/** Where a part of the reward stands in the policy. */
type At = (...steps: string[]) => string[];

function GiftPhrase({ at, reward, label }: { at: At; reward: Extract<Reward, { product: string }>; label: string }) {
  const edit = useEdit();
  const catalogue = useCatalogue();
  return (
    <>
      <EditedField
        label={`Pieces, ${label}`}
        shown={String(reward.quantity)}
        parse={parseWhole(1, 100)}
        change={(value) => setAt(at('quantity'), value)}
        align="right"
      />{' '}
      ×{' '}
      <PhraseSelect
        label={`Gift, ${label}`}
        value={reward.product}
        options={[
          ...(catalogue.has(reward.product)
            ? []
            : [[reward.product, `${reward.product}, no longer in the catalogue`] as const]),
          ...[...catalogue.values()].map(({ id, name }) => [id, name] as const),
        ]}
        choose={(product) => edit(setAt(at('product'), product))}
      />
    </>
  );
}

/** On which delivery options the reward is given, and up to which price. */
function DeliveryOptionsPhrase({
  at,
  reward,
  label,
  marketId,
  cap,
}: {
  at: At;
  reward: Extract<Reward, { on: unknown }>;
  label: string;
  marketId: string;
  cap: (table: Amounts | undefined) => ReactNode;
}) {
  const edit = useEdit();
  const [limited, setLimited] = useState(reward.cap !== undefined || reward.coversOwnDelivery);
  return (
    <>
      {!('priceOf' in reward) && 'on '}
      <OptionsPhrase
        label={`Options of the reward, ${label}`}
        selection={reward.on}
        marketId={marketId}
        change={(on) => edit(setAt(at('on'), on))}
      />
      {'priceOf' in reward && (
        <>
          {' '}
          at the lowest price of{' '}
          <OptionsPhrase
            label={`Options whose price it becomes, ${label}`}
            selection={reward.priceOf}
            marketId={marketId}
            change={(priceOf) => edit(setAt(at('priceOf'), priceOf))}
          />
        </>
      )}
      {limited ? (
        <>
          , skipping options dearer than {cap(reward.cap)},{' '}
          <PhraseSelect
            label={`Own delivery prices of goods, ${label}`}
            value={String(reward.coversOwnDelivery)}
            options={[
              ['true', 'including'],
              ['false', 'not including'],
            ]}
            choose={(value) => edit(setAt(at('coversOwnDelivery'), value === 'true'))}
          />{' '}
          what goods with a delivery price of their own add
        </>
      ) : (
        <button type="button" className="btn btn-xs" onClick={() => setLimited(true)}>
          skip options dearer than …
        </button>
      )}
    </>
  );
}
