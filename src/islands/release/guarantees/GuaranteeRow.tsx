import { CircleCheck, CircleDashed, CircleX } from 'lucide-react';
import { removeGuarantee } from '../../../client/edits/guarantee-edits.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import { guaranteeInWords } from '../../../core/guarantees/guarantee-in-words.ts';
import type { Guarantee } from '../../../core/policy/types.ts';
import { useCheckUp } from '../../findings/check-up.ts';
import { exampleHref } from '../../findings/example-href.ts';
import { EditedField } from '../../fields/EditedField.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { useNotation } from '../../page/page-context.tsx';
import { useEdit } from '../../page/use-edit.tsx';
import { parseName } from '../../fields/typed-text.ts';
import { GuaranteeSentence } from './GuaranteeSentence.tsx';

/** A guarantee: whether it holds, what it says, and where it does not. */
export function GuaranteeRow({
  id,
  guarantee,
  open,
  toggle,
}: {
  id: string;
  guarantee: Guarantee;
  open: boolean;
  toggle: () => void;
}) {
  const policy = usePolicy();
  const { locale } = useNotation();
  const edit = useEdit();
  const { findings, notExamined, guarantees } = useCheckUp();
  const at = `/guarantees/${id}`;
  const broken = (findings ?? []).filter((finding) => finding.at === at);
  const unlooked = notExamined.filter((one) => one.at === at);
  const state = stateOf(guarantee.on, guarantees?.[id] === guarantee, broken.length, unlooked.length);
  const { Icon, look } = looks[state];
  return (
    <li className="border-b border-hairline py-1.5" data-testid={`guarantee-row-${id}`} data-state={state}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className={`inline-flex w-28 shrink-0 items-baseline gap-1 ${look}`}>
          <Icon size={15} className="self-center" aria-hidden />
          {said[state]}
        </span>
        <span className="min-w-60 flex-1">
          {open ? (
            <EditedField
              label="What the guarantee is called"
              shown={guarantee.name}
              parse={parseName}
              change={(name) => setAt(['guarantees', id, 'name'], name)}
              testId="guarantee-name"
            />
          ) : (
            <strong>{guarantee.name}</strong>
          )}
          {!open && <span className="block text-small text-soft">{guaranteeInWords(guarantee, policy, locale)}</span>}
        </span>
        <span className="flex gap-1">
          <button
            type="button"
            className="btn btn-xs"
            aria-expanded={open}
            onClick={toggle}
            data-testid={`guarantee-change-${id}`}
          >
            {open ? 'close' : 'change'}
          </button>
          <button
            type="button"
            className="btn btn-xs"
            aria-label={`turn ${guarantee.on ? 'off' : 'on'} “${guarantee.name}”`}
            onClick={() => edit(setAt(['guarantees', id, 'on'], !guarantee.on))}
          >
            turn {guarantee.on ? 'off' : 'on'}
          </button>
          <button
            type="button"
            className="btn btn-xs"
            aria-label={`remove “${guarantee.name}”`}
            onClick={() => edit(removeGuarantee(id))}
          >
            remove
          </button>
        </span>
      </div>
      {open && <GuaranteeSentence id={id} guarantee={guarantee} />}
      {broken.map((finding) => (
        <p key={finding.id} className="text-error sm:pl-31" data-testid="guarantee-broken">
          {withoutName(finding.sentence, guarantee.name)}{' '}
          {exampleHref(finding) && (
            <a className="link link-primary" href={exampleHref(finding)!}>
              a cart
            </a>
          )}
        </p>
      ))}
      {guarantee.on &&
        unlooked.map(({ because }) => (
          <p key={because} className="text-small text-soft sm:pl-31">
            Not examined. {because}
          </p>
        ))}
    </li>
  );
}

/** What is broken, where its name stands above. */
function withoutName(sentence: string, name: string): string {
  const begins = `“${name}” does not hold `;
  return sentence.startsWith(begins) ? `Not ${sentence.slice(begins.length)}` : sentence;
}

type State = 'off' | 'waiting' | 'broken' | 'unlooked' | 'holds';

function stateOf(on: boolean, looked: boolean, broken: number, unlooked: number): State {
  if (!on) return 'off';
  if (!looked) return 'waiting';
  if (broken > 0) return 'broken';
  return unlooked > 0 ? 'unlooked' : 'holds';
}

const said: Record<State, string> = {
  off: 'off',
  waiting: 'being looked at',
  broken: 'broken',
  unlooked: 'not examined',
  holds: 'holds',
};

const looks: Record<State, { Icon: typeof CircleCheck; look: string }> = {
  off: { Icon: CircleDashed, look: 'text-soft' },
  waiting: { Icon: CircleDashed, look: 'text-soft' },
  broken: { Icon: CircleX, look: 'font-semibold text-error' },
  unlooked: { Icon: CircleDashed, look: 'text-warning' },
  holds: { Icon: CircleCheck, look: 'text-primary' },
};
