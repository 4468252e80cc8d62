import { useMemo } from 'react';
import type { Edit } from '../../../client/edits/edit.ts';
import {
  addGoal,
  archiveOffer,
  byPriority,
  duplicateOffer,
  movePriority,
  moveGoal,
  removeOffer,
  setOffer,
} from '../../../client/edits/offer-edits.ts';
import { freshId, setAt } from '../../../client/edits/set-at.ts';
import type { CompiledMarket } from '../../../core/evaluation/compile.ts';
import { togetherIn, type Together } from '../../../core/evaluation/together.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Offer, Policy } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { SortableRow, SortableRows } from '../../../ui/SortableRows.tsx';
import { WhenPhrase } from '../../conditions/WhenPhrase.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { GuardedEdits, useEdit, useGuardedEdit } from '../../page/use-edit.tsx';
import { orNone, parseWhole } from '../../fields/typed-text.ts';
import { TextWarnings } from './TextWarnings.tsx';
import { GoalFields } from './GoalFields.tsx';
import { OfferCalendar } from '../OfferCalendar.tsx';
import { OfferHistory } from '../OfferHistory.tsx';
import { MarketsPhrase } from '../../fields/phrases/MarketsPhrase.tsx';
import { SchedulePhrase } from '../../fields/phrases/SchedulePhrase.tsx';
import { SwitchedHeading } from '../../fields/phrases/SwitchedHeading.tsx';
import { UnlockPhrase } from './UnlockPhrase.tsx';
import { part } from '../../page/parts.ts';

/** An offer as a paragraph: when, where, for whom, from what, what they get, how often, and together with what. */
export function OfferParagraph({
  offerId,
  offer,
  marketId,
  compiledMarket,
  choose,
}: {
  offerId: string;
  offer: Offer;
  marketId: string;
  compiledMarket: CompiledMarket | undefined;
  choose: (offer: string) => void;
}) {
  const policy = usePolicy();
  const { edit, refusal } = useGuardedEdit();
  const at = (...steps: string[]) => ['offers', offerId, ...steps];
  const goals = inOrder(offer.goals);
  const goalIds = goals.map(([id]) => id);
  const duplicate = () => {
    const copy = freshId(offerId, policy.offers);
    if (edit(duplicateOffer(offerId, copy))) choose(copy);
  };
  const limit = (label: string, field: 'inAll' | 'perShopper') => (
    <EditedField
      label={label}
      shown={offer.limits?.[field] === undefined ? '' : String(offer.limits[field])}
      parse={orNone<number>(parseWhole(1, 1_000_000_000))}
      change={(value: number | undefined) => setLimit(offerId, field, value)}
      placeholder="any number of times"
      testId={`limit-${field}`}
    />
  );
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('this offer')}
        className="seldom-seen mt-2 border-t border-hairline pt-2 leading-7"
        aria-label={`Offer ${offer.name}`}
        data-thing={`offer ${offerId}`}
        data-testid="offer-paragraph"
      >
        {refusal}
        <TextWarnings offerId={offerId} />
        <SwitchedHeading
          what="offer"
          path={at()}
          entry={offer}
          archive={(archived) => archiveOffer(offerId, archived)}
          remove={removeOffer(offerId)}
          more={
            <button type="button" className="btn btn-xs" onClick={duplicate} data-testid="duplicate-offer">
              Duplicate
            </button>
          }
        />
        <SchedulePhrase path={at('schedule')} schedule={offer.schedule} />
        {compiledMarket && <OfferCalendar market={compiledMarket} offerId={offerId} />}
        <MarketsPhrase
          path={at('markets')}
          chosen={offer.markets}
          every="every market that has a goal"
          testId="offer-markets"
        />
        <div>
          For{' '}
          <WhenPhrase
            label="For whom"
            path={at('when')}
            when={offer.when}
            markets={[marketId]}
            always="everyone"
            testId="offer-when"
          />
        </div>
        <UnlockPhrase offerId={offerId} unlock={offer.unlock} name={offer.name} />
        <SortableRows
          ids={goalIds}
          nameOf={(id) => `reward of goal ${goalIds.indexOf(id) + 1}`}
          move={(id, by) => edit(moveGoal(offerId, id, by))}
        >
          <ol aria-label="Goals">
            {goals.map(([id, goal], index) => (
              <GoalFields
                key={id}
                offerId={offerId}
                goalId={id}
                goal={goal}
                number={index + 1}
                of={goals.length}
                marketId={marketId}
                byCode={offer.unlock.by === 'code'}
              />
            ))}
          </ol>
        </SortableRows>
        {goals.length < 10 && (
          <button type="button" className="btn btn-xs" onClick={() => edit(addGoal(offerId))} data-testid="add-goal">
            Add a goal above
          </button>
        )}
        <p>
          Each shopper may use it {limit('Uses per shopper', 'perShopper')}, all together{' '}
          {limit('Uses in all', 'inAll')}. <NearlyPhrase offerId={offerId} offer={offer} />
        </p>
        <TogetherPhrase offerId={offerId} offer={offer} market={compiledMarket} />
        <OfferHistory offerId={offerId} />
      </section>
    </GuardedEdits>
  );
}

const setLimit =
  (offer: string, field: 'inAll' | 'perShopper', value: number | undefined): Edit =>
  (policy) => {
    const { [field]: _, ...others } = policy.offers[offer]?.limits ?? {};
    const limits = value === undefined ? others : { ...others, [field]: value };
    return setOffer(offer, 'limits', Object.keys(limits).length > 0 ? limits : undefined)(policy);
  };

function NearlyPhrase({ offerId, offer: { nearly } }: { offerId: string; offer: Offer }) {
  return (
    <>
      Shoppers are <em>nearly there</em> when{' '}
      {nearly && 'amounts' in nearly ? (
        <>amounts of its own are missing</>
      ) : (
        <>
          at most{' '}
          <EditedField
            label="Nearly there, percent of the goal"
            shown={nearly && 'share' in nearly ? nearly.share : ''}
            parse={orNone((text) =>
              /^\d{1,2}([.,]\d{1,2})?$/.test(text.trim())
                ? { ok: true, value: text.trim().replace(',', '.') }
                : { ok: false, reason: 'A percentage below 100.' },
            )}
            change={(share) => setOffer(offerId, 'nearly', share === undefined ? undefined : { share })}
            placeholder="nothing"
            testId="nearly"
          />{' '}
          % of the goal is missing
        </>
      )}
      .
    </>
  );
}

function TogetherPhrase({
  offerId,
  offer,
  market,
}: {
  offerId: string;
  offer: Offer;
  market: CompiledMarket | undefined;
}) {
  const edit = useEdit();
  const policy = usePolicy();
  const met = useMemo(() => (market ? togetherIn(market, offerId) : null), [market, offerId]);
  const ranked = useMemo(
    () => byPriority(policy).filter(([, other]) => other.on || (other === offer && !other.archived)),
    [policy, offer],
  );
  return (
    <>
      <p>
        With other offers it{' '}
        <PhraseSelect
          label="With other offers"
          value={String(offer.combines)}
          options={[
            ['true', 'combines'],
            ['false', 'stands alone'],
          ]}
          choose={(value) => edit(setAt(['offers', offerId, 'combines'], value === 'true'))}
          testId="combines"
        />
        {met && (
          <span className="text-soft" data-testid="together">
            {' '}
            {togetherInWords(met, offer.name)}
          </span>
        )}
      </p>
      <div className="text-small">
        <span className="text-soft">In order of priority</span>
        <SortableRows
          running
          ids={ranked.map(([id]) => id)}
          nameOf={(id) => policy.offers[id]?.name ?? id}
          move={(id, by) => edit(movePriority(id, wholeSteps(policy, ranked, id, by)))}
        >
          <ol className="flex flex-wrap gap-x-3" aria-label="Offers by priority">
            {ranked.map(([id, other]) => (
              <SortableRow key={id} id={id} className="inline-flex items-center" data-testid={`priority-${id}`}>
                {({ handle }) => (
                  <>
                    {handle}
                    <span
                      tabIndex={0}
                      className={id === offerId ? 'font-semibold' : ''}
                      onKeyDown={(event) => {
                        if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
                        event.preventDefault();
                        edit(movePriority(id, wholeSteps(policy, ranked, id, event.key === 'ArrowLeft' ? -1 : 1)));
                      }}
                      aria-label={`${other.name}, priority ${other.priority}; Alt with the arrow keys moves it`}
                    >
                      {other.name} <span className="text-soft">{other.priority}</span>
                    </span>
                  </>
                )}
              </SortableRow>
            ))}
          </ol>
        </SortableRows>
      </div>
    </>
  );
}

/** Steps among all offers that come to so many among those shown. */
function wholeSteps(policy: Policy, shown: readonly (readonly [string, Offer])[], id: string, by: number): number {
  const all = byPriority(policy).map(([other]) => other);
  const target = shown[Math.max(0, Math.min(shown.length - 1, shown.findIndex(([other]) => other === id) + by))]?.[0];
  return target === undefined ? 0 : all.indexOf(target) - all.indexOf(id);
}

function togetherInWords({ combining, alone }: Together, own: string): string {
  if (combining.length + alone.length <= 1)
    return `and meets no other offer here${combining.concat(alone)[0] === own ? '' : ' yet'}.`;
  const sides = [
    ...(combining.length > 0
      ? [combining.length > 1 ? `${combining.join(', then ')} one after the other` : combining[0]!]
      : []),
    ...alone,
  ];
  if (sides.length === 1) return `On one option apply ${sides[0]}.`;
  return `On one option the shopper gets the lowest price of: ${sides.join('; ')}. Equal prices go to the higher priority.`;
}
