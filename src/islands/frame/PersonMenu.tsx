import type { PagePerson } from '../../contract/page.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { initialsOf } from '../together/initials.ts';

const PersonPanel = lazyPart(() => import('./PersonPanel.tsx'), <span className="block p-3">…</span>);

/** Who is signed in, and what that leads to. Without accounts there is nobody to show. */
export function PersonMenu({ person }: { person: PagePerson }) {
  if (person.account === null) return null;
  return (
    <Popover
      label={`${person.name}: your account`}
      shown={initialsOf(person.name)}
      className="btn btn-ghost btn-xs min-w-7 font-semibold"
      testId="person-menu"
    >
      {() => <PersonPanel person={person} />}
    </Popover>
  );
}
