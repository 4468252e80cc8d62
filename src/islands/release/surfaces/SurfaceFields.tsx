import { setAt } from '../../../client/edits/set-at.ts';
import { removeSurface, toggleSurfaceMarket } from '../../../client/edits/surface-edits.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Surface } from '../../../core/policy/types.ts';
import { surfaceKinds } from '../../../core/surface-kinds/registry.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import type { Parsed } from '../../../ui/TypedField.tsx';
import { EditedField } from '../../fields/EditedField.tsx';
import { orNone, parseName } from '../../fields/typed-text.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';

function parseAddress(text: string): Parsed<string> {
  const typed = text.trim();
  const isAddress = typed.startsWith('/stand-ins/pages/') || /^https?:\/\/[^\s/]+/.test(typed);
  return isAddress && typed.length <= 500
    ? { ok: true, value: typed }
    : { ok: false, reason: 'An address that begins with https://.' };
}

/** What a surface is: its name, kind, address, whom it speaks to, and who keeps it. */
export function SurfaceFields({ id, surface }: { id: string; surface: Surface }) {
  const policy = usePolicy();
  const edit = useEdit();
  const at = (...steps: string[]) => ['surfaces', id, ...steps];
  const markets = inOrder(policy.markets);
  const chosen = markets.filter(([market]) => Object.keys(surface.markets).length === 0 || surface.markets[market]);
  const languages = [...new Set(chosen.flatMap(([, market]) => market.languages))];
  return (
    <dl className="mt-3 grid grid-cols-[6rem_minmax(0,1fr)] gap-x-2 gap-y-1" data-testid="surface-fields">
      <dt className="text-soft">Name</dt>
      <dd>
        <EditedField
          label="Name of the surface"
          shown={surface.name}
          parse={parseName}
          change={(name) => setAt(at('name'), name)}
          testId="surface-name"
        />
      </dd>
      <dt className="text-soft">Kind</dt>
      <dd>
        <PhraseSelect
          label="Kind of surface"
          value={surface.kind}
          options={surfaceKinds.all.map(({ kind, called }) => [kind, called] as const)}
          choose={(kind) => edit(setAt(at('kind'), kind))}
        />
      </dd>
      <dt className="text-soft">Address</dt>
      <dd>
        <EditedField
          label="Address of the surface"
          shown={surface.address ?? ''}
          placeholder="https://shop.example.com/delivery"
          parse={orNone(parseAddress)}
          change={(address) => setAt(at('address'), address)}
          testId="surface-address"
        />
      </dd>
      <dt className="text-soft">Markets</dt>
      <Pressed
        options={markets.map(([market, { name }]) => [market, name])}
        isPressed={(market) => surface.markets[market] === true}
        press={(market) => edit(toggleSurfaceMarket(id, market))}
        none={Object.keys(surface.markets).length === 0 ? 'none chosen: all' : null}
      />
      <dt className="text-soft">Languages</dt>
      <Pressed
        options={languages.map((language) => [language, language])}
        isPressed={(language) => surface.languages.includes(language)}
        press={(language) =>
          edit(
            setAt(
              at('languages'),
              surface.languages.includes(language)
                ? surface.languages.filter((one) => one !== language)
                : [...surface.languages, language],
            ),
          )
        }
        none={surface.languages.length === 0 ? 'none chosen: all of the markets’' : null}
      />
      <dt className="text-soft">Kept by</dt>
      <dd>
        <EditedField
          label="Who keeps the surface"
          shown={surface.keeper ?? ''}
          placeholder="who brings it into line"
          parse={orNone(parseName)}
          change={(keeper) => setAt(at('keeper'), keeper)}
        />
      </dd>
      <dt />
      <dd>
        <button
          type="button"
          className="btn btn-xs"
          aria-label={`Remove “${surface.name}”`}
          onClick={() => edit(removeSurface(id))}
        >
          Remove
        </button>
      </dd>
    </dl>
  );
}

/** Any of several; without one, all. */
function Pressed({
  options,
  isPressed,
  press,
  none,
}: {
  options: readonly (readonly [id: string, name: string])[];
  isPressed: (id: string) => boolean;
  press: (id: string) => void;
  /** said where none is chosen; null: some are */
  none: string | null;
}) {
  return (
    <dd className="flex flex-wrap gap-1">
      {options.map(([id, name]) => (
        <button
          key={id}
          type="button"
          className="btn h-auto min-h-6 max-w-full btn-xs whitespace-normal aria-pressed:btn-primary"
          aria-pressed={isPressed(id)}
          onClick={() => press(id)}
        >
          {name}
        </button>
      ))}
      {none !== null && <span className="text-small text-soft">{none}</span>}
    </dd>
  );
}
