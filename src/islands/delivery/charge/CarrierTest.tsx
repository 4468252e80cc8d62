import type { CarrierReply } from '../../../contract/shapes/carrier.ts';
import { useEffect, useState } from 'react';
import { call } from '../../../client/http.ts';
import { carriersOf } from '../../../core/charges/carriers-of.ts';
import { compileCharge } from '../../../core/charges/compile-charge.ts';
import type { Charge } from '../../../core/policy/types.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useCompiled, useNotation } from '../../page/page-context.tsx';

const modes: [string, string][] = [
  ['works', 'works'],
  ['slow', 'answers after four seconds'],
  ['failing', 'fails'],
  ['wrong', 'answers nonsense'],
  ['down', 'is down'],
];

const standIn = { name: 'carrier' };

/** Asks the carriers of a charge as a shop's quote would: what is sent, what comes back, and what a shopper then pays. */
export function CarrierTest({ charge, marketId, country }: { charge: Charge; marketId: string; country: string }) {
  const policy = usePolicy();
  const { money } = useNotation();
  const compiled = useCompiled();
  const [grams, setGrams] = useState('1500');
  const [volume, setVolume] = useState('8000');
  const [to, setTo] = useState(country);
  const [postcode, setPostcode] = useState('');
  const [mode, setMode] = useState('works');
  const [reply, setReply] = useState<(CarrierReply & { carrier: string }) | null>(null);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const carriers = carriersOf(charge);
  const { currency, countries } = policy.markets[marketId]!;
  useEffect(() => {
    void call('GET /api/stand-ins/{name}', { params: standIn }).then(
      (answer) => answer.ok && setMode(answer.body.mode),
    );
  }, []);
  const ask = async (carrier: string) => {
    setAsking(true);
    const answer = await call('POST /api/carriers/test', {
      body: {
        carrier,
        market: marketId,
        to: { country: to, postcode },
        weightGrams: Math.round(Number(grams)) || 0,
        volumeCm3: Math.round(Number(volume)) || 0,
      },
    });
    setAsking(false);
    setProblem(answer.ok ? null : `${answer.problem.title}. ${answer.problem.detail}`);
    if (answer.ok) setReply({ ...answer.body, carrier });
  };
  const changeMode = async (wanted: string) => {
    const answer = await call('PUT /api/stand-ins/{name}', { params: standIn, body: { mode: wanted } });
    if (answer.ok) setMode(answer.body.mode);
  };
  return (
    <div className="text-small" data-testid="carrier-test">
      <p>
        Try a parcel of{' '}
        <input
          className="field text-right"
          aria-label="Weight, g"
          inputMode="numeric"
          value={grams}
          onChange={(event) => setGrams(event.target.value)}
        />{' '}
        g and{' '}
        <input
          className="field text-right"
          aria-label="Volume, cm³"
          inputMode="numeric"
          value={volume}
          onChange={(event) => setVolume(event.target.value)}
        />{' '}
        cm³ to{' '}
        <PhraseSelect
          label="Country of the parcel"
          value={to}
          options={[...new Set([...countries, country])].map((code) => [code, code] as const)}
          choose={setTo}
        />{' '}
        <input
          className="field"
          aria-label="Postcode of the parcel"
          placeholder="postcode"
          value={postcode}
          onChange={(event) => setPostcode(event.target.value)}
        />{' '}
        {carriers.map((carrier) => (
          <button
            key={carrier}
            type="button"
            className="btn btn-xs mr-2"
            disabled={asking}
            onClick={() => void ask(carrier)}
            data-testid={`ask-${carrier}`}
          >
            {asking ? 'Asking …' : `Ask ${carrier}`}
          </button>
        ))}
        <span className="text-soft">
          The carrier service is simulated and{' '}
          <PhraseSelect
            label="Simulated carrier"
            value={mode}
            options={modes}
            choose={(wanted) => void changeMode(wanted)}
            testId="carrier-mode"
          />
          .
        </span>
      </p>
      {problem && <p className="text-error">{problem}</p>}
      {reply && (
        <dl
          className="grid grid-cols-[5rem_minmax(0,1fr)] gap-x-2 border-l-2 border-primary pl-3"
          data-testid="carrier-reply"
        >
          <dt className="text-soft">sent</dt>
          <dd className="break-words">{JSON.stringify(reply.request)}</dd>
          <dt className="text-soft">answered</dt>
          <dd className="break-words">
            {reply.answer ?? 'nothing'} <span className="text-soft">after {reply.took} ms</span>
          </dd>
          <dt className="text-soft">comes to</dt>
          <dd>{outcome(reply)}</dd>
        </dl>
      )}
    </div>
  );

  /** With the margins of each line that asks this carrier, or its fallback. */
  function outcome({ carrier, quote, problem: why }: CarrierReply & { carrier: string }): string {
    const terms = compiled.markets.get(marketId)!.terms;
    const said = compileCharge(charge, terms, policy.qualifiers).lines.flatMap(({ price }) => {
      if (price.quoted?.carrier !== carrier) return [];
      const pays = price.quoted.priceOf(quote);
      if (pays === null) return [`no quote (${why}), and no fallback: this line does not apply`];
      return [
        quote === null
          ? `no quote (${why}): the fallback, ${money(pays, currency)}`
          : `${money(quote, currency)}, with margin ${money(pays, currency)}`,
      ];
    });
    return said.join('; ');
  }
}
