import { useMemo, type ReactNode } from 'react';
import type { CompiledPolicy } from '../../../core/evaluation/compile.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { countsDown } from '../../../core/wording/look/look.ts';
import { differingParts } from '../../../core/quote/shop-sheet.ts';
import { Storefront } from '../../storefront/Storefront.tsx';
import { whyNothing, type Rehearsal } from '../../rehearsal/rehearse-cart.ts';
import { useCatalogue, useCompiled, useCompiledRelease, useNow, useRelease } from '../../page/page-context.tsx';
import { useServerClock } from '../../page/use-server-clock.ts';
import { BesideOption } from './BesideOption.tsx';
import { shopOf, type ShopLaid } from '../shop-of.ts';
import { part } from '../../page/parts.ts';

/** What is laid on the table: the draft, the release, or both. */
export type Laid = 'draft' | 'release' | 'both';

/** The shop on a table: drawn from the draft, from the release, or from both with what differs marked. */
export function SideBySide({
  cart,
  draft,
  released,
  laid,
  width,
}: {
  cart: TestCart;
  draft: Rehearsal;
  released: Rehearsal | null;
  laid: Laid;
  width: 'phone' | 'desktop';
}) {
  const compiled = useCompiled();
  const compiledRelease = useCompiledRelease();
  const catalogue = useCatalogue();
  const release = useRelease();
  const ofDraft = useMemo(() => shopOf(compiled, catalogue, cart, draft), [compiled, catalogue, cart, draft]);
  const ofRelease = useMemo(
    () => (compiledRelease && released ? shopOf(compiledRelease, catalogue, cart, released) : null),
    [compiledRelease, catalogue, cart, released],
  );
  const differs = useMemo(
    () => (ofRelease ? differingParts(ofDraft.sheet, ofRelease.sheet) : new Set<never>()),
    [ofDraft, ofRelease],
  );
  const both = laid === 'both' && ofRelease !== null;
  const asRelease = laid === 'release' && ofRelease !== null;
  return (
    <>
      {both && (
        <p className="py-1 text-small text-soft" data-testid="differences">
          {differs.size === 0
            ? 'Draft and release show this shopper the same.'
            : `${differs.size === 1 ? 'One part differs' : `${differs.size} parts differ`}, marked at the side.`}
        </p>
      )}
      <div className={both ? `grid gap-4 ${width === 'phone' ? 'sm:grid-cols-2' : ''}` : ''}>
        {!asRelease && (
          <Shop
            key="draft"
            title={both ? 'draft' : ''}
            shop={ofDraft}
            cart={cart}
            rehearsal={draft}
            compiled={compiled}
            width={width}
            differs={both ? differs : undefined}
            testIds
          />
        )}
        {(both || asRelease) && (
          <Shop
            key="release"
            title={`release ${release?.number ?? ''}`}
            shop={ofRelease!}
            cart={cart}
            rehearsal={released!}
            compiled={compiledRelease!}
            width={width}
            differs={both ? differs : undefined}
            testIds={asRelease}
          />
        )}
      </div>
    </>
  );
}

function Shop({
  title,
  shop: { answer, sheet },
  cart,
  rehearsal,
  compiled,
  width,
  differs,
  testIds,
}: {
  title: string;
  shop: ShopLaid;
  cart: TestCart;
  rehearsal: Rehearsal;
  compiled: CompiledPolicy;
  width: 'phone' | 'desktop';
  differs: ReturnType<typeof differingParts> | undefined;
  testIds: boolean;
}) {
  const now = useNow();
  // A notice that counts down says so itself.
  const said = rehearsal.message('strip')?.message.arguments;
  const deadline = said && said.countedFrom === null ? said.deadline : null;
  const running = useServerClock(cart.at === undefined && countsDown(answer.look, deadline, now));
  const { noOptions, marketId } = rehearsal.evaluation;
  const market = marketId ? compiled.markets.get(marketId) : undefined;
  const { policy } = compiled;
  const beside = (optionId: string): ReactNode => (
    <BesideOption optionId={optionId} cart={cart} rehearsal={rehearsal} policy={policy} />
  );
  return (
    <section
      ref={part(title === '' ? 'shop' : title)}
      aria-label={title === '' ? 'As the shopper sees it' : `As the shopper sees it, ${title}`}
      data-testid={`shop-${title === '' ? 'draft' : title.split(' ')[0]}`}
    >
      {title !== '' && <h2 className="pb-0.5 font-sans text-small font-normal text-soft">{title}</h2>}
      <Storefront
        sheet={sheet}
        look={answer.look}
        shopName={policy.store.name}
        language={cart.language}
        width={width}
        now={cart.at === undefined ? running : Date.parse(cart.at)}
        deadline={deadline}
        timeZone={market?.terms.clocks.market ?? policy.store.timeZone}
        {...(differs ? { differs } : {})}
        belowOption={beside}
        hindrance={noOptions ? <p className="shop-hindrance">{whyNothing[noOptions]}</p> : null}
        testIds={testIds}
      />
    </section>
  );
}
