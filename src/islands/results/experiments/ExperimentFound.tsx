import { useMemo } from 'react';
import { judgeExperiment, sampleRatio } from '../../../core/experiments/judge-experiment.ts';
import type { ExperimentState } from '../../../core/experiments/state.ts';
import type { ExperimentStudy } from '../../../core/experiments/study-experiment.ts';
import { whyNothing } from '../../../core/experiments/subject.ts';
import { nothingTriedInWords } from '../../../core/experiments/why-nothing-in-words.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Experiment } from '../../../core/policy/types.ts';
import { writeDay } from '../../../core/time/written-date.ts';
import { WhenSeen } from '../../../ui/chart/WhenSeen.tsx';
import { Alert } from '../../../ui/Alert.tsx';
import { lazyPart } from '../../../ui/lazy-part.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useFigureWords, type FigureWords } from '../study/figure-words.ts';
import { ArmTable } from './ArmTable.tsx';
import { EndOrKeep } from './EndOrKeep.tsx';
import { judgedInWords, measureInWords, stateInWords } from './experiment-words.ts';
import type { KnownOfExperiments } from '../../../core/experiments/known.ts';
import { looksHeight } from './looks-height.ts';
import { useExperimentStudy } from './use-experiment.ts';

const LooksChart = lazyPart(() => import('./LooksChart.tsx'));

interface Found {
  id: string;
  experiment: Experiment;
  state: ExperimentState;
  known: KnownOfExperiments;
}

/** One experiment: what is tried, what its orders say so far, and what becomes of it. */
export function ExperimentFound({ id, experiment, state, known, close }: Found & { close: () => void }) {
  const policy = usePolicy();
  const { markets } = policy;
  const { locale, money } = useNotation();
  const { name, note, market, offer, from, until, measure, smallestEffect, guard, plannedOrders } = experiment;
  const currency = markets[market]?.currency ?? policy.store.baseCurrency;
  const words = useFigureWords(currency);
  const { study, problem } = useExperimentStudy(id, experiment);
  const why = whyNothing(policy, experiment);
  return (
    <section
      className="mt-3 border-l-2 border-primary pl-4"
      aria-label={`Experiment ${name}`}
      data-testid="experiment-found"
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-lead font-semibold">{name}</h3>
        <span className="text-small text-soft">{stateInWords[state]}</span>
        <button type="button" className="btn btn-xs" onClick={close}>
          Close
        </button>
      </div>
      <p className="max-w-[60rem]">
        {inOrder(experiment.arms)
          .map(([, arm], place) => `${arm.share / 100} %${place === 0 ? ' of shoppers' : ''} see “${arm.name}”`)
          .join(', ')}{' '}
        of “{policy.offers[offer]?.name ?? offer}” in {markets[market]?.name ?? market}, from {writeDay(from, locale)}{' '}
        to {writeDay(until, locale)} at most. Judged by {measureInWords[measure]}; the smallest difference worth knowing
        is {money(smallestEffect, currency)}, planned with {words.count(plannedOrders)} orders.
        {guard && ' It ends by itself once an arm surely loses margin.'}
      </p>
      {note && <p className="max-w-[60rem] text-soft">{note}</p>}
      {why !== null && state !== 'decided' && <Alert>It tries nothing: {nothingTriedInWords[why]}.</Alert>}
      <Ended id={id} experiment={experiment} known={known} words={words} />
      {problem && <Alert>{problem}</Alert>}
      <div className={toBegin.has(state) ? '' : 'min-h-[16rem]'}>
        {!study && !problem && markets[market] && <p className="py-2 text-soft">Looking through the orders …</p>}
        {study && <SoFar {...{ id, experiment, state, known, study, words, currency }} />}
      </div>
      <EndOrKeep id={id} experiment={experiment} state={state} />
    </section>
  );
}

const toBegin: ReadonlySet<ExperimentState> = new Set(['notReleased', 'begins']);

/** What its orders say; of one that was ended and is taken up again there are some before it begins. */
function SoFar(props: JudgedProps) {
  const { state, study, experiment } = props;
  const { locale } = useNotation();
  if (!toBegin.has(state) || study.arms.some(({ orders }) => orders > 0)) return <Judged {...props} />;
  return (
    <p className="py-2" data-testid="not-begun">
      No shopper has seen it yet. It begins on {writeDay(experiment.from, locale)}
      {state === 'notReleased' ? ', once it is released' : ''}; what each arm sees stands on the bench and at Rehearse
      meanwhile.
    </p>
  );
}

/** That it ended by itself, and why. */
function Ended({ id, experiment, known, words }: Omit<Found, 'state'> & { words: FigureWords }) {
  const { locale } = useNotation();
  const end = known.ended.find((one) => one.experiment === id);
  if (!end) return null;
  return (
    <Alert>
      It ended by itself on {writeDay(end.at.slice(0, 10), locale)}: “{experiment.arms[end.arm]?.name ?? end.arm}”
      surely loses between {words.value('margin', -end.high)} and {words.value('margin', -end.low)} of margin an order.
      All shoppers see the goal as it stands.
    </Alert>
  );
}

interface JudgedProps extends Found {
  study: ExperimentStudy;
  words: FigureWords;
  currency: string;
}

function Judged({ id, experiment, state, known, study, words, currency }: JudgedProps) {
  const { measure, smallestEffect, arms } = experiment;
  const names = new Map(inOrder(arms).map(([arm, { name }]) => [arm, name]));
  const judged = useMemo(() => judgeExperiment(study, measure, smallestEffect), [study, measure, smallestEffect]);
  const first = names.get(study.arms[0]!.id) ?? '';
  return (
    <>
      <div role="status" data-testid="experiment-verdict">
        {judged.map((arm) => {
          const { head, says } = judgedInWords(arm, { name: names.get(arm.id) ?? arm.id, first, measure, words });
          return (
            <p key={arm.id} className="text-lead">
              <strong>{head}.</strong> {says}
            </p>
          );
        })}
        <MoreNeeded experiment={experiment} study={study} state={state} words={words} />
      </div>
      <Shares id={id} experiment={experiment} known={known} study={study} words={words} />
      <ArmTable
        id={id}
        experiment={experiment}
        study={study}
        words={words}
        shoppers={shoppersOf(id, experiment, known)}
      />
      {study.arms.slice(1).map(
        (arm) =>
          arm.looks.length > 1 && (
            <div key={arm.id} className="pt-2">
              <p className="text-small">
                {measure === 'orderValue' ? 'Order value' : 'Margin net of delivery'} with “{names.get(arm.id)}” beside
                “{first}”, as it stood each evening. The band holds what is true on every evening at once, however often
                one looks; the dotted lines are the smallest difference worth knowing.
              </p>
              <WhenSeen height={looksHeight} label="the difference evening by evening">
                {() => (
                  <LooksChart
                    looks={arm.looks}
                    smallest={smallestEffect}
                    measure={measure}
                    currency={currency}
                    words={words}
                  />
                )}
              </WhenSeen>
            </div>
          ),
      )}
    </>
  );
}

/** How far it is, as long as it goes on. */
function MoreNeeded({
  experiment: { plannedOrders },
  study,
  state,
  words,
}: {
  experiment: Experiment;
  study: ExperimentStudy;
  state: ExperimentState;
  words: FigureWords;
}) {
  const orders = study.arms.reduce((sum, arm) => sum + arm.orders, 0);
  const left = plannedOrders - orders;
  if (state !== 'goesOn') return null;
  return (
    <p className="text-soft">
      {words.count(orders)} of {words.count(plannedOrders)} planned orders are in
      {left > 0 ? `; ${words.count(left)} more to go.` : '.'}
    </p>
  );
}

const shoppersOf = (id: string, { arms }: Experiment, { shoppers }: KnownOfExperiments): number[] =>
  inOrder(arms).map(([arm]) => shoppers.find((one) => one.experiment === id && one.arm === arm)?.shoppers ?? 0);

/** Whether shoppers went to the arms as they were to. */
function Shares({
  id,
  experiment,
  known,
  study,
  words,
}: Omit<Found, 'state'> & { study: ExperimentStudy; words: FigureWords }) {
  const shoppers = shoppersOf(id, experiment, known);
  const counted = shoppers.some((count) => count > 0);
  const seen = counted ? shoppers : study.arms.map(({ orders }) => orders);
  const ratio = sampleRatio(
    seen,
    inOrder(experiment.arms).map(([, { share }]) => share),
  );
  const what = counted ? 'shoppers quoted' : 'orders';
  const said = seen.map(words.count).join(' and ');
  if (!ratio)
    return <p className="text-small text-soft">Too few {what} to say whether they are spread as they were to be.</p>;
  if (!ratio.off)
    return (
      <p className="text-small text-soft" data-testid="sample-ratio">
        {said} {what}: spread over the arms as they were to be.
      </p>
    );
  return (
    <Alert>
      <span data-testid="sample-ratio">
        {said} {what}: by chance they would be spread so unevenly less than once in a thousand experiments. Something
        sends shoppers of one arm away or counts them twice, so the arms cannot be compared. See whether the shop sends
        the same key for a shopper from the first page to the order.
      </span>
    </Alert>
  );
}
