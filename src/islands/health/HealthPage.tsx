import { useEffect, useState, type ReactNode } from 'react';
import { call } from '../../client/http.ts';
import type { PageProps } from '../../contract/page.ts';
import type { Health } from '../../contract/shapes/health.ts';
import { Frame } from '../frame/Frame.tsx';
import { part } from '../page/parts.ts';
import { useMoments } from '../page/use-moments.ts';

/** How often it is looked while the page is open. ms */
const every = 5000;

interface HealthProps extends PageProps {
  health: Health;
}

/** How what runs beside the requests is doing: imports, calls to receivers, what is fetched, carriers, stand-ins. */
export default function HealthPage({ props }: { props: HealthProps }) {
  return (
    <Frame stop="health" props={props}>
      <div className="px-5 py-3">
        <h1 className="text-head">Health</h1>
        <section ref={part('health')} aria-label="Health" className="max-w-3xl">
          <Figures initial={props.health} />
        </section>
      </div>
    </Frame>
  );
}

function Figures({ initial }: { initial: Health }) {
  const [health, setHealth] = useState(initial);
  const [problem, setProblem] = useState<string | null>(null);
  const write = useMoments();
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState !== 'visible') return;
      void call('GET /api/health').then((answer) => {
        if (answer.ok) setHealth(answer.body);
        setProblem(answer.ok ? null : answer.problem.title);
      });
    }, every);
    return () => clearInterval(timer);
  }, []);
  const { outbox, feeds, carriers } = health;
  return (
    <>
      {problem && <p role="alert">{problem}. What stands here is older.</p>}
      <dl className="mt-2" data-testid="health">
        <Line
          name="Database"
          well
        >{`${health.databaseHost} answers; this process has run since ${write(health.since)}.`}</Line>
        <Line name="Shop" well={health.release !== null}>
          {health.release === null ? 'Nothing has been released yet.' : `It uses release ${health.release}.`}
        </Line>
        <Line name="Imports" well>
          {health.importsUnderWay === 0 ? 'None is under way.' : `${health.importsUnderWay} under way.`}
        </Line>
        <Line name="Receivers" well={outbox.failing + outbox.givenUp === 0} href="/connections#receivers">
          {outboxInWords(outbox, write)}
        </Line>
        <Line name="Surfaces" well={feeds.surfacesFailing === 0} href="/release#surfaces">
          {feeds.surfacesFailing === 0
            ? 'Each could be fetched the last time.'
            : `${feeds.surfacesFailing} could not be fetched the last time.`}
        </Line>
        <Line name="Rates" well href="/markets#currencies">
          {feeds.newestRates === null ? 'None are known.' : `Known up to ${feeds.newestRates}.`}
        </Line>
        <Line name="Carriers" well={carriers.silent === 0}>
          {carriers.asked === 0
            ? 'None has been asked since this process began.'
            : `Asked ${carriers.asked} times since this process began, silent ${carriers.silent} times.`}
        </Line>
        <Line name="Stand-ins" well>
          {health.standIns ? 'Simulated carriers, rates, receivers and pages answer, for trying.' : 'They are off.'}
        </Line>
      </dl>
    </>
  );
}

function outboxInWords(
  { waiting, oldest, failing, givenUp }: Health['outbox'],
  write: (iso: string) => string,
): string {
  const calls =
    waiting === 0
      ? 'No call waits'
      : `${waiting} ${waiting === 1 ? 'call waits' : 'calls wait'}, the oldest since ${write(oldest!)}`;
  const there = [failing > 0 ? `${failing} not reached` : '', givenUp > 0 ? `${givenUp} told nothing more` : ''].filter(
    Boolean,
  );
  return `${[calls, ...there].join('; ')}.`;
}

function Line({ name, well, href, children }: { name: string; well: boolean; href?: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[8rem_1fr] border-b border-hairline py-2">
      <dt className="font-semibold">
        {href ? (
          <a className="link link-primary" href={href}>
            {name}
          </a>
        ) : (
          name
        )}
      </dt>
      <dd className={well ? '' : 'text-warning'}>{children}</dd>
    </div>
  );
}
