import { useState } from 'react';
import { call } from '../../client/http.ts';
import type { CarrierServiceChange, CarrierServiceListed } from '../../contract/shapes/carrier.ts';
import { Alert } from '../../ui/Alert.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { CarrierRow } from './CarrierRow.tsx';
import { useAsking } from '../page/use-asking.ts';

/** Where carriers are asked: those that charges name, and those that have an address of their own. */
export function Carriers({ initial }: { initial: readonly CarrierServiceListed[] }) {
  const [services, setServices] = useState(initial);
  const { busy, problem, ask } = useAsking();
  const { markets } = useCompiled();
  const named = [...markets.values()].flatMap(({ zones }) =>
    zones.flatMap((zone) => [...zone.asked.values()].map(({ carrier }) => carrier)),
  );
  const names = [...new Set([...named, ...services.map(({ name }) => name)])].sort();
  const take = (answer: { carriers: CarrierServiceListed[] } | null): boolean => {
    if (answer) setServices(answer.carriers);
    return answer !== null;
  };
  return (
    <>
      <h2 className="text-title">Carriers</h2>
      <p className="max-w-[52rem] py-1">
        Charges that ask a carrier call it by a name. One without an address is played by the stand-in that ships with
        Summant.
      </p>
      {names.length === 0 && <p className="text-soft">No charge asks a carrier.</p>}
      {names.length > 0 && (
        <ul data-testid="carriers">
          {names.map((name) => (
            <CarrierRow
              key={name}
              name={name}
              service={services.find((one) => one.name === name) ?? null}
              busy={busy}
              save={async (body: CarrierServiceChange) =>
                take(await ask(() => call('PUT /api/carriers/{name}', { params: { name }, body })))
              }
              remove={async () => {
                take(await ask(() => call('DELETE /api/carriers/{name}', { params: { name } })));
              }}
            />
          ))}
        </ul>
      )}
      {problem && <Alert>{`${problem.title}. ${problem.detail}`}</Alert>}
    </>
  );
}
