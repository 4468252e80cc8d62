import { useState } from 'react';
import type { CarrierServiceChange, CarrierServiceListed } from '../../contract/shapes/carrier.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';

const waits = [
  ['500', '0.5 s'],
  ['1000', '1 s'],
  ['1500', '1.5 s'],
  ['3000', '3 s'],
  ['5000', '5 s'],
] as const;
const keeps = [
  ['0', 'its fallback holds'],
  ['10', 'what it said in the last 10 minutes holds'],
  ['60', 'what it said in the last hour holds'],
  ['1440', 'what it said in the last day holds'],
] as const;
const states = {
  asked: '',
  left: ' It has failed often, and is left alone for some seconds.',
  tried: ' It is being tried again.',
};

/** How a carrier without an address of its own is asked. */
const usual = { address: '', hasSecret: false, timeoutMs: 1500, keepMinutes: 0, state: 'asked' } as const;

/** A value that is none of those offered stands among them. */
const among = (choices: readonly (readonly [string, string])[], value: string, unit: string) =>
  choices.some(([one]) => one === value) ? choices : [...choices, [value, `${value} ${unit}`] as const];

/** Where one carrier is asked, in a sentence. */
export function CarrierRow({
  name,
  service,
  busy,
  save,
  remove,
}: {
  name: string;
  /** null: it has no address of its own */
  service: CarrierServiceListed | null;
  busy: boolean;
  save: (body: CarrierServiceChange) => Promise<boolean>;
  remove: () => Promise<void>;
}) {
  const now = service ?? usual;
  const [address, setAddress] = useState<string>(now.address);
  const [secret, setSecret] = useState('');
  const [timeoutMs, setTimeoutMs] = useState(String(now.timeoutMs));
  const [keepMinutes, setKeepMinutes] = useState(String(now.keepMinutes));
  const changed =
    address !== now.address ||
    secret !== '' ||
    Number(timeoutMs) !== now.timeoutMs ||
    Number(keepMinutes) !== now.keepMinutes;
  const send = async () => {
    const body = { address: address.trim(), timeoutMs: Number(timeoutMs), keepMinutes: Number(keepMinutes) };
    if (await save(secret === '' ? body : { ...body, secret })) setSecret('');
  };
  return (
    <li className="border-b border-hairline py-1.5 leading-7" data-testid={`carrier-${name}`}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void send();
        }}
      >
        <strong className="font-semibold">{name}</strong> is asked at{' '}
        <input
          className="field w-64 text-start"
          aria-label={`Address of ${name}`}
          placeholder="the stand-in"
          value={address}
          onChange={(event) => setAddress(event.target.value)}
        />{' '}
        with the secret{' '}
        <input
          className="field w-28 text-start"
          type="password"
          autoComplete="off"
          aria-label={`Secret for ${name}`}
          placeholder={now.hasSecret ? 'as it is' : 'none'}
          value={secret}
          onChange={(event) => setSecret(event.target.value)}
        />
        , for{' '}
        <PhraseSelect
          label={`How long ${name} is waited for`}
          value={timeoutMs}
          options={among(waits, timeoutMs, 'ms')}
          choose={setTimeoutMs}
        />{' '}
        at most; while it is silent{' '}
        <PhraseSelect
          label={`What holds while ${name} is silent`}
          value={keepMinutes}
          options={among(keeps, keepMinutes, 'minutes')}
          choose={setKeepMinutes}
        />
        .<span className="text-soft">{states[now.state]}</span>{' '}
        {changed && address.trim() !== '' && (
          <button type="submit" className="btn btn-primary btn-xs" disabled={busy}>
            Ask it so
          </button>
        )}{' '}
        {service && (
          <button
            type="button"
            className="btn btn-xs"
            disabled={busy}
            onClick={() => {
              setAddress('');
              setSecret('');
              void remove();
            }}
          >
            Back to the stand-in
          </button>
        )}
      </form>
    </li>
  );
}
