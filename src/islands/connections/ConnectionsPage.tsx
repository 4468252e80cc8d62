import type { ReactNode } from 'react';
import type { PageProps } from '../../contract/page.ts';
import type { AccessKey, ListedSecret } from '../../contract/shapes/access-key.ts';
import type { CarrierServiceListed } from '../../contract/shapes/carrier.ts';
import type { Receiver } from '../../contract/shapes/receiver.ts';
import { Frame } from '../frame/Frame.tsx';
import { useMayNot } from '../page/page-context.tsx';
import { part } from '../page/parts.ts';
import { Carriers } from './Carriers.tsx';
import { Keys } from './Keys.tsx';
import { Receivers } from './Receivers.tsx';
import { Signatures } from './Signatures.tsx';

interface ConnectionsProps extends PageProps {
  keys: AccessKey[];
  secrets: ListedSecret[];
  carriers: CarrierServiceListed[];
  receivers: Receiver[];
  /** where shops find Summant */
  address: string;
}

/** What a shop needs to ask for quotes, to report orders, and to be told of releases. */
export default function ConnectionsPage({ props }: { props: ConnectionsProps }) {
  return (
    <Frame stop="connections" props={props}>
      <div className="px-5 py-3">
        <h1 className="text-head">Connections</h1>
        <p className="max-w-[52rem] py-1 text-lead">
          A shop asks for quotes and reports orders at <code>{props.address}</code>.{' '}
          {props.person.account !== null
            ? 'It needs a key.'
            : 'On the machine that Summant runs on it needs no key, from anywhere else it does.'}{' '}
          <a className="link link-primary" href="/openapi.json">
            Every call is described
          </a>{' '}
          as OpenAPI.
        </p>
        <MayChange>
          <section ref={part('keys')} className="mt-3" aria-label="Keys">
            <Keys initial={props.keys} />
          </section>
          <section ref={part('signatures')} className="mt-6" aria-label="Signatures">
            <Signatures initial={props.secrets} />
          </section>
          <section ref={part('carriers')} className="mt-6" aria-label="Carriers">
            <Carriers initial={props.carriers} />
          </section>
          <section ref={part('receivers')} className="mt-6" aria-label="Receivers">
            <Receivers initial={props.receivers} />
          </section>
        </MayChange>
      </div>
    </Frame>
  );
}

/** Connections are changed by whoever owns the store: to others they are shown, with why. */
function MayChange({ children }: { children: ReactNode }) {
  const mayNot = useMayNot('own');
  return (
    <>
      {mayNot && <p className="text-soft">{`To change connections: ${mayNot}`}</p>}
      <fieldset disabled={mayNot !== null} className="contents">
        {children}
      </fieldset>
    </>
  );
}
