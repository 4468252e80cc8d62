import { setAt } from '../../client/edits/set-at.ts';
import type { Edit } from '../../client/edits/edit.ts';
import type { Look } from '../../core/policy/types.ts';
import { contrastsOf, lookOf } from '../../core/wording/look/look.ts';
import { placeIds, places, type Place } from '../../core/wording/places.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { useServerClock } from '../page/use-server-clock.ts';
import { PlaceScene } from '../storefront/PlaceScene.tsx';
import type { StripMessage } from '../storefront/Strip.tsx';
import { part } from '../page/parts.ts';

const styleNames: Record<Look['style'], string> = {
  filled: 'filled across the page',
  ruled: 'on paper between two lines',
  label: 'a label as wide as its text',
};
const colourNames: Record<keyof Look['colours'], string> = { ground: 'ground', ink: 'ink', bar: 'bar' };
const dayMs = 86_400_000;

/** How the shop draws strip and bar: style, colours with their contrast, place, countdown, whether it can be closed, where it is silent. */
export function LookEditor({ message, timeZone }: { message: StripMessage | undefined; timeZone: string }) {
  const policy = usePolicy();
  const edit = useEdit();
  const show = useDraft((draft) => draft.show);
  const look = lookOf(policy);
  const now = useServerClock(look.countdownWithin !== undefined);
  const change = (next: Partial<Look>): Edit => setAt(['look'], { ...look, ...next });
  const colour = (name: keyof Look['colours'], value: string): Edit =>
    change({ colours: { ...look.colours, [name]: value } });
  const { silentIn = {} } = look;
  const setSilent = (place: Place, silent: boolean) => {
    const next = { ...silentIn };
    if (silent) next[place] = true;
    else delete next[place];
    const { silentIn: _, ...rest } = look;
    edit(setAt(['look'], Object.keys(next).length > 0 ? { ...rest, silentIn: next } : rest));
  };
  const setCountdown = (days: number | null) => {
    const { countdownWithin: _, ...rest } = look;
    edit(setAt(['look'], days === null ? rest : { ...rest, countdownWithin: days }));
  };
  return (
    <section ref={part('look')} aria-label="Look of strip and bar" data-testid="look">
      <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div>
          <p className="leading-6">
            The strip is{' '}
            <PhraseSelect
              label="Style of the strip"
              value={look.style}
              options={Object.entries(styleNames)}
              choose={(style) => edit(change({ style: style as Look['style'] }))}
              testId="look-style"
            />
            , at the{' '}
            <PhraseSelect
              label="Position of the strip"
              value={look.position}
              options={[
                ['top', 'top'],
                ['bottom', 'bottom'],
              ]}
              choose={(position) => edit(change({ position: position as Look['position'] }))}
              testId="look-position"
            />{' '}
            of the page, and shoppers{' '}
            <PhraseSelect
              label="Whether the strip can be closed"
              value={look.closable ? 'yes' : 'no'}
              options={[
                ['no', 'cannot close it'],
                ['yes', 'can close it'],
              ]}
              choose={(closable) => edit(change({ closable: closable === 'yes' }))}
              testId="look-closable"
            />
            .
          </p>
          <p className="leading-6">
            It counts down to an offer’s end{' '}
            <PhraseSelect
              label="Countdown"
              value={look.countdownWithin === undefined ? 'never' : 'within'}
              options={[
                ['never', 'never'],
                ['within', 'within the last'],
              ]}
              choose={(when) => setCountdown(when === 'never' ? null : 7)}
              testId="look-countdown"
            />
            {look.countdownWithin !== undefined && (
              <>
                {' '}
                <TypedField
                  label="Days of countdown"
                  shown={String(look.countdownWithin)}
                  parse={(text) =>
                    /^[1-9]\d?$/.test(text.trim()) && Number(text) <= 90
                      ? { ok: true, value: Number(text) }
                      : { ok: false, reason: '1 to 90' }
                  }
                  show={() => {}}
                  commit={(days) => setCountdown(days)}
                />{' '}
                days
              </>
            )}
            , on the market’s clock.
          </p>
          <table className="table table-xs w-auto mt-1">
            <tbody>
              {(Object.keys(colourNames) as (keyof Look['colours'])[]).map((name) => (
                <tr key={name}>
                  <th scope="row" className="py-1 pr-4 font-normal">
                    {colourNames[name]}
                  </th>
                  <td className="py-1">
                    <input
                      type="color"
                      className="h-6 w-10 align-middle"
                      aria-label={`Colour of the ${colourNames[name]}, chosen`}
                      value={look.colours[name]}
                      onChange={(event) => edit(colour(name, event.target.value))}
                    />{' '}
                    <TypedField
                      label={`Colour of the ${colourNames[name]}`}
                      align="left"
                      shown={look.colours[name]}
                      parse={parseColour}
                      show={(value) => show(value === undefined ? null : colour(name, value))}
                      commit={(value) => edit(colour(name, value))}
                      testId={`colour-${name}`}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <ul className="mt-1 text-small" data-testid="contrasts">
            {contrastsOf(look).map(({ what, ratio, least, enough, mend }) => (
              <li key={what} className={enough ? '' : 'text-warning'}>
                {what === 'text' ? 'Text on its ground' : 'Bar on its ground'}: {ratio.toFixed(2)} to 1,{' '}
                {enough ? `at least ${least} as WCAG 2.2 asks` : `less than the ${least} that WCAG 2.2 asks for`}.
                {!enough && (
                  <button type="button" className="btn btn-xs" onClick={() => edit(colour(mend.colour, mend.to))}>
                    Make the {colourNames[mend.colour]} {mend.to}
                  </button>
                )}
              </li>
            ))}
          </ul>
          <fieldset className="mt-2 text-small">
            <legend className="text-soft">Messages are shown in</legend>
            {placeIds.map((place) => (
              <label key={place} className="mr-4 inline-flex min-h-7 items-center gap-1.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={!silentIn[place]}
                  onChange={(event) => setSilent(place, !event.target.checked)}
                  data-testid={`shows-in-${place}`}
                />
                {places[place].short}
              </label>
            ))}
          </fieldset>
        </div>
        <div>
          <p className="text-small text-soft">as it looks, with an end that is two and a half days ahead</p>
          <PlaceScene
            key={JSON.stringify(look)}
            place="strip"
            message={silentIn.strip ? undefined : message}
            look={look}
            percent={80}
            deadline={Math.floor(now / dayMs) * dayMs + 2.5 * dayMs}
            now={now}
            timeZone={timeZone}
          />
          <div className="mt-2">
            <PlaceScene
              place="cart"
              message={silentIn.cart ? undefined : message}
              look={look}
              percent={80}
              deadline={null}
              now={now}
              timeZone={timeZone}
            />
          </div>
        </div>
      </div>
    </section>
  );
}

function parseColour(text: string): { ok: true; value: string } | { ok: false; reason: string } {
  const value = text.trim().toLowerCase();
  return /^#[0-9a-f]{6}$/.test(value) ? { ok: true, value } : { ok: false, reason: 'A colour is written as #rrggbb.' };
}
