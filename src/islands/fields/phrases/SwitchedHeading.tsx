import type { ReactNode } from 'react';
import type { Edit } from '../../../client/edits/edit.ts';
import { setAt } from '../../../client/edits/set-at.ts';
import { useEdit } from '../../page/use-edit.tsx';
import { EditedField } from '../EditedField.tsx';
import { parseName, parseText } from '../typed-text.ts';

/** What an offer and a notice have in common: a name, what it is for, and whether it is on, off or set aside. */
export interface Switched {
  name: string;
  note: string;
  on: boolean;
  archived?: true | undefined;
}

/**
 * The heading of an offer or a notice.
 *
 * @param what of the two, as it is said and as tests find it @param path of it in the policy
 */
export function SwitchedHeading({
  what,
  path,
  entry,
  archive,
  remove,
  aside,
  more,
}: {
  what: 'offer' | 'notice';
  path: readonly string[];
  entry: Switched;
  archive: (archived: boolean) => Edit;
  remove: Edit;
  /** after its name */
  aside?: ReactNode;
  /** before what is done to the whole of it */
  more?: ReactNode;
}) {
  const edit = useEdit();
  const { name, note, on, archived } = entry;
  const onOrOff = on ? 'on' : 'off';
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <label className="inline-flex items-center gap-2">
          <input
            type="checkbox"
            className="toggle toggle-xs toggle-primary"
            checked={on}
            disabled={archived}
            aria-label={`${name} is on`}
            onChange={(event) => edit(setAt([...path, 'on'], event.target.checked))}
            data-testid={`${what}-on`}
          />
          {archived ? 'archived' : onOrOff}
        </label>
        <strong className="text-lead">
          <EditedField
            label={`Name of the ${what}`}
            shown={name}
            parse={parseName}
            change={(value) => setAt([...path, 'name'], value)}
            testId={`${what}-name`}
          />
        </strong>
        {aside}
        <span className="ml-auto text-small">
          {more}
          <button
            type="button"
            className="btn btn-xs"
            title={
              archived
                ? 'It comes back as it was, off'
                : 'It is turned off, kept with its texts and history, and left out of lists'
            }
            onClick={() => edit(archive(!archived))}
            data-testid={`archive-${what}`}
          >
            {archived ? 'Take out of the archive' : 'Archive'}
          </button>
          <button type="button" className="btn btn-xs" onClick={() => edit(remove)} data-testid={`remove-${what}`}>
            Delete with its texts
          </button>
        </span>
      </p>
      <p className="text-small text-soft">
        <EditedField
          label="What it is for"
          shown={note}
          parse={parseText(2000)}
          change={(value) => setAt([...path, 'note'], value)}
          placeholder="what it is for, and when to look at it again"
          testId={`${what}-note`}
        />
      </p>
    </>
  );
}
