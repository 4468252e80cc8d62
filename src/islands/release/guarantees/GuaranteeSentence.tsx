import { setClaim, setClaimed } from '../../../client/edits/guarantee-edits.ts';
import { claimKinds } from '../../../core/guarantees/registry.ts';
import { toDecimal } from '../../../core/money/decimal.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Guarantee } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { WhenPhrase } from '../../conditions/WhenPhrase.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { MarketsPhrase } from '../../fields/phrases/MarketsPhrase.tsx';
import { OptionsPhrase } from '../../fields/phrases/OptionsPhrase.tsx';
import { parseMoney, parseWhole } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

/** A guarantee as a sentence in which everything can be changed. */
export function GuaranteeSentence({ id, guarantee }: { id: string; guarantee: Guarantee }) {
  const policy = usePolicy();
  const edit = useEdit();
  const { claim, markets, when } = guarantee;
  const named = markets ? Object.keys(markets) : inOrder(policy.markets).map(([market]) => market);
  const at = (step: string) => ['guarantees', id, step];
  return (
    <div className="leading-7 sm:pl-31" data-testid="guarantee-sentence">
      <MarketsPhrase path={at('markets')} chosen={markets} every="every market" testId="guarantee-markets" />
      <div>
        for{' '}
        <WhenPhrase
          label="For which shoppers and carts"
          path={at('when')}
          when={when}
          markets={named}
          always="everyone, with any cart"
          testId="guarantee-when"
        />
      </div>
      <div>
        {'of' in claim && (
          <PhraseSelect
            label="Some or each"
            value={claim.of}
            options={[
              ['some', 'some of'],
              ['each', 'each of'],
            ]}
            choose={(of) => edit(setClaimed(id, claim, { of: of as 'some' | 'each' }))}
            testId="guarantee-of"
          />
        )}{' '}
        {'on' in claim && (
          <OptionsPhrase
            label="Which options it is about"
            selection={claim.on}
            marketId={named[0] ?? ''}
            change={(on) => edit(setClaimed(id, claim, { on }))}
          />
        )}{' '}
        <PhraseSelect
          label="What holds"
          value={claim.kind}
          options={claimKinds.all.map(({ kind, called }) => [kind, called] as const)}
          choose={(kind) => edit(setClaim(id, claimKinds.of(kind).begin(claim)))}
          testId="guarantee-claim"
        />{' '}
        {claim.kind === 'costsAtMost' && (
          <>
            <EditedField
              label="At most"
              shown={toDecimal(claim.atMost, policy.store.baseCurrency)}
              parse={parseMoney(policy.store.baseCurrency)}
              change={(atMost) => setClaimed(id, claim, { atMost })}
              align="right"
              testId="guarantee-at-most"
            />{' '}
            {policy.store.baseCurrency}
            <span className="text-small text-soft"> (elsewhere what that comes to at adopted rates)</span>
          </>
        )}
        {claim.kind === 'read' && (
          <PhraseSelect
            label="How long"
            value={claim.until}
            options={[
              ['goalReached', 'as long as a goal lies ahead'],
              ['always', 'always'],
            ]}
            choose={(until) => edit(setClaimed(id, claim, { until: until as 'always' | 'goalReached' }))}
          />
        )}
        {claim.kind === 'goalsAgree' && (
          <PhraseSelect
            label="Of which offer"
            value={claim.offer ?? ''}
            options={[
              ['', 'of each offer'],
              ...inOrder(policy.offers).map(([offer, { name }]) => [offer, `of ${name}`] as const),
            ]}
            choose={(offer) => {
              const { offer: _, ...rest } = claim;
              edit(setClaim(id, offer === '' ? rest : { ...rest, offer }));
            }}
          />
        )}{' '}
        {'within' in claim && (
          <>
            within{' '}
            <EditedField
              label="Within so many per cent"
              shown={String(claim.within)}
              parse={parseWhole(1, 1000)}
              change={(within) => setClaimed(id, claim, { within })}
              align="right"
              testId="guarantee-within"
            />{' '}
            %
          </>
        )}
      </div>
    </div>
  );
}
