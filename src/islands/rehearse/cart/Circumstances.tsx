import { useState } from 'react';
import { setCartPart } from '../../../client/edits/cart-edits.ts';
import { facts as knownFacts } from '../../../core/conditions/registry.ts';
import type { CompiledZone } from '../../../core/evaluation/compile.ts';
import type { TestCart } from '../../../core/policy/types.ts';
import { instantOfLocal, localText, nextClockChange } from '../../../core/time/time-zone-clock.ts';
import { AddWord } from '../../../ui/AddWord.tsx';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { Remove } from '../../../ui/Remove.tsx';
import { ClockChoice } from '../../fields/choices/ClockChoice.tsx';
import { DateField } from '../../fields/dates/DateField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation, useNow } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

const mostCodes = 20;
const minute = 60_000;

/** When the cart is bought, through which channel and with which codes. */
export function Circumstances({
  cartId,
  cart,
  zone,
}: {
  cartId: string;
  cart: TestCart;
  zone: CompiledZone | undefined;
}) {
  const policy = usePolicy();
  const { locale } = useNotation();
  const now = useNow();
  const edit = useEdit();
  const [chosenClock, setClock] = useState<string>();
  const marketClock = zone?.market.terms.clocks.market;
  const timeZone = chosenClock ?? policy.store.timeZone;
  const at = cart.at === undefined ? now : Date.parse(cart.at);
  const goTo = (instant: number | undefined) =>
    edit(setCartPart(cartId, 'at', instant === undefined ? undefined : new Date(instant).toISOString()));
  const next = zone ? nextTurn(zone, at) : null;
  const change = nextClockChange(timeZone, at);
  const { codes = [] } = cart;
  const channels = knownFacts.named('cart.channel')?.words?.known(policy, String) ?? [];
  const day = new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone });
  return (
    <div
      className="mb-2 flex flex-wrap items-baseline gap-x-1 gap-y-1 text-small [&_input]:min-h-6 [&_select]:min-h-6"
      data-testid="circumstances"
    >
      <span className="text-soft">at</span>
      <DateField
        label={`Moment on the clock of ${timeZone}`}
        kind="from"
        none="now"

        value={cart.at === undefined ? '' : localText(timeZone, at)}
        change={(local) => goTo(local === '' ? undefined : instantOfLocal(timeZone, local, 'earlier'))}
        testId="cart-moment"
      />
      <span className="text-soft">on</span>
      <ClockChoice
        label="Clock"
        value={chosenClock}
        none={`the store’s clock, ${policy.store.timeZone}`}
        {...(marketClock && marketClock !== policy.store.timeZone
          ? { first: [{ value: marketClock, name: 'the market’s clock', hint: marketClock }] }
          : {})}
        choose={setClock}
        testId="cart-clock"
      />
      {cart.at !== undefined && (
        <button type="button" className="btn btn-xs" onClick={() => goTo(undefined)} data-testid="moment-now">
          now
        </button>
      )}
      {next && (
        <button
          type="button"
          className="btn btn-xs"
          title={day.format(next.instant)}
          onClick={() => goTo(next.instant)}
          data-testid="next-turn"
        >
          to when {next.offer} {next.begins ? 'begins' : 'is over'}
        </button>
      )}
      {change !== null && (
        <button
          type="button"
          className="btn btn-xs"
          title={day.format(change)}
          onClick={() => goTo(at < change - minute ? change - minute : change)}
          data-testid="next-clock-change"
        >
          to the change of clocks
        </button>
      )}
      <span className="ml-3 text-soft">through</span>
      <PhraseSelect
        label="Channel"
        value={cart.channel ?? ''}
        options={[
          ['', 'the web'],
          ...channels.filter(({ word }) => word !== 'web').map(({ word, name }) => [word, name] as const),
        ]}
        choose={(channel) => edit(setCartPart(cartId, 'channel', channel === '' ? undefined : channel))}
        testId="cart-channel"
      />
      <span className="ml-3 text-soft">with codes</span>
      {codes.map((code) => (
        <span key={code}>
          {code}
          <Remove
            what={`code ${code}`}
            remove={() =>
              edit(setCartPart(cartId, 'codes', codes.length > 1 ? codes.filter((other) => other !== code) : undefined))
            }
          />
        </span>
      ))}
      {codes.length < mostCodes && (
        <AddWord
          label="Code entered"
          placeholder={codes.length === 0 ? 'none' : 'another'}
          accept={(text) => text.length <= 60 && !codes.includes(text.toUpperCase())}
          reason="At most 60 letters, and not there yet."
          add={(text) => edit(setCartPart(cartId, 'codes', [...codes, text.toUpperCase()]))}
        />
      )}
    </div>
  );
}

/** The next moment after an instant at which an offer of the zone begins or is over. */
function nextTurn({ offers }: CompiledZone, after: number): { instant: number; offer: string; begins: boolean } | null {
  const turns = offers.flatMap(({ offer: { name }, span }) => [
    { instant: span.from, offer: name, begins: true },
    { instant: span.until, offer: name, begins: false },
  ]);
  return turns
    .filter(({ instant }) => Number.isFinite(instant) && instant > after)
    .reduce<(typeof turns)[number] | null>(
      (first, turn) => (first === null || turn.instant < first.instant ? turn : first),
      null,
    );
}
