/** What people of the team may, each role more than those before it: look, change the draft, release it, decide who may what. */
export const roles = ['look', 'edit', 'release', 'own'] as const;
export type Role = (typeof roles)[number];

/** What one has to be allowed for something; `anyone`: nobody is asked who he is. */
export type Need = Role | 'anyone';

/** Whether somebody may do what needs a role. @param role null: nobody knows who it is */
export const may = (role: Role | null, need: Need): boolean =>
  need === 'anyone' || (role !== null && roles.indexOf(role) >= roles.indexOf(need));

/** What each role may, in words: “may …”. */
export const roleInWords: Record<Role, string> = {
  look: 'look at everything',
  edit: 'look, and change the draft, orders and products',
  release: 'edit, and release',
  own: 'everything, with people, keys and connections',
};

const whoMay: Record<Role, string> = {
  look: 'may look',
  edit: 'may edit',
  release: 'may release',
  own: 'owns the store',
};
const youMay: Record<Role, string> = {
  look: 'You may look',
  edit: 'You may edit',
  release: 'You may edit and release',
  own: 'You own the store',
};

/** Why somebody may not do something, in words; null: he may. */
export const whyNot = (role: Role, need: Role): string | null =>
  may(role, need)
    ? null
    : `This takes somebody who ${whoMay[need]}. ${youMay[role]}; whoever owns the store can let you do more.`;
