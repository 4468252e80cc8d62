import type { People } from '../../contract/shapes/account.ts';
import type { Person } from './person.ts';
import type { Problem } from '../http/problem.ts';
import { lastOwner, noSuchPerson } from './account-problems.ts';
import { listPeople } from './people-store.ts';

/** Who has an account, as somebody sees it. */
export const peopleFor = (person: Person | null | undefined): Promise<People> =>
  listPeople(person?.signedIn?.accountId ?? null);

/** Who may what after a change, or why there was none. */
export async function afterChange(
  change: Promise<'changed' | 'unknown' | 'lastOwner'>,
  person: Person,
): Promise<People | Problem> {
  const changed = await change;
  if (changed === 'unknown') return noSuchPerson;
  return changed === 'lastOwner' ? lastOwner : peopleFor(person);
}
