import type { ReactNode } from 'react';
import type { SurfaceStanding } from '../../contract/shapes/surface.ts';
import type { Finding } from '../../core/check-up/finding.ts';
import { inOrder } from '../../core/ordered.ts';
import { useCheckUp } from '../findings/check-up.ts';
import { findingHref } from '../findings/finding-href.ts';
import { countsOf } from '../findings/severity.ts';
import { usePolicy } from '../page/draft-context.tsx';

/** Of what is wrong so much is said here; the rest stands in the list. */
const mostSaid = 4;

/** What speaks for and against handing the draft to the shop: the check-up, guarantees and test carts, a line each. */
export function Verdict({ surfaces }: { surfaces: ReadonlyMap<string, SurfaceStanding> | null }) {
  const { findings, notExamined, failed, guarantees: looked } = useCheckUp();
  const policy = usePolicy();
  if (failed) return <p className="mt-3 text-error">The draft could not be looked through: {failed}.</p>;
  if (!findings) return <p className="mt-3 text-soft">The draft is being looked through.</p>;
  const open = findings.filter(({ accepted }) => accepted === null);
  const of = (kind: string) => open.filter((finding) => finding.kind === kind);
  const [guarantees, carts] = [of('guaranteeBroken'), of('testCartFails')];
  const others = open.filter(({ kind }) => kind !== 'guaranteeBroken' && kind !== 'testCartFails');
  const on = inOrder(policy.guarantees ?? {}).filter(([, guarantee]) => guarantee.on);
  const broken = new Set(guarantees.map(({ at }) => at)).size;
  const ofGuarantees = notExamined.filter(({ at }) => at.startsWith('/guarantees/'));
  const unlooked = new Set(ofGuarantees.map(({ at }) => at)).size;
  const elsewhere = notExamined.length - ofGuarantees.length;
  const expected = inOrder(policy.testCarts).filter(([, { expects }]) => expects);
  return (
    <dl
      className="mt-3 grid grid-cols-[6rem_minmax(0,1fr)] sm:grid-cols-[7rem_minmax(0,1fr)] gap-y-1"
      data-testid="verdict"
    >
      <Line of="Check-up" href="#check-up" wrong={others.filter(({ severity }) => severity === 'wrong')}>
        {others.length === 0 ? 'nothing is found' : countsOf(others)}
        {elsewhere > 0 && `, ${elsewhere} not examined`}
      </Line>
      <Line of="Guarantees" href="#guarantees" wrong={guarantees}>
        {looked === policy.guarantees ? guaranteesInWords(on.length, broken, unlooked) : 'are being looked at'}
      </Line>
      <Line of="Test carts" href="/rehearse" wrong={carts}>
        {cartsInWords(expected.length, carts.length)}
      </Line>
      {Object.keys(policy.surfaces ?? {}).length > 0 && (
        <Line of="Surfaces" href="#surfaces" wrong={[]}>
          {surfaces ? surfacesInWords([...surfaces.values()]) : 'are being compared'}
        </Line>
      )}
    </dl>
  );
}

function guaranteesInWords(on: number, broken: number, unlooked: number): string {
  if (on === 0) return 'none is on';
  const rest = unlooked === 0 ? '' : `, ${unlooked} not examined`;
  if (broken > 0) return `${broken} of ${on} broken${rest}`;
  if (unlooked > 0) return `${on - unlooked} of ${on} hold${rest}`;
  return on === 1 ? 'the one that is on holds' : `all ${on} hold`;
}

function cartsInWords(expecting: number, otherwise: number): string {
  if (expecting === 0) return 'none says what is expected';
  if (otherwise > 0) return `${otherwise} of ${expecting} otherwise than expected`;
  return expecting === 1 ? 'the one that expects something comes out so' : `all ${expecting} come out as expected`;
}

/** How the places stand that state delivery prices elsewhere, and which of them the release would leave behind. */
function surfacesInWords(surfaces: readonly SurfaceStanding[]): string {
  const stale = surfaces.filter(({ state }) => state === 'stale').length;
  const becoming = surfaces.filter(({ becomesStale }) => becomesStale > 0).length;
  const now = stale === 0 ? 'none is stale' : `${stale} of ${surfaces.length} ${stale === 1 ? 'is' : 'are'} stale`;
  if (becoming === 0) return now;
  return `${now}; this release leaves ${becoming === 1 ? 'one' : becoming} behind that ${becoming === 1 ? 'is' : 'are'} right`;
}

function Line({
  of,
  href,
  wrong,
  children,
}: {
  of: string;
  href: string;
  wrong: readonly Finding[];
  children: ReactNode;
}) {
  const policy = usePolicy();
  return (
    <>
      <dt className="text-soft">
        <a className="link" href={href}>
          {of}
        </a>
      </dt>
      <dd>
        <span className={wrong.length > 0 ? 'font-semibold text-error' : ''}>{children}</span>
        {wrong.slice(0, mostSaid).map((finding) => (
          <a key={finding.id} className="block hover:underline" href={findingHref(policy, finding)}>
            {finding.sentence}
          </a>
        ))}
        {wrong.length > mostSaid && (
          <a className="link block" href="#check-up">
            and {wrong.length - mostSaid} more
          </a>
        )}
      </dd>
    </>
  );
}
