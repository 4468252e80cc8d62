import { roleInWords, roles } from '../../core/people/roles.ts';

/** Roles to choose from, by what they may. */
export const roleOptions = roles.map((role) => [role, roleInWords[role]] as const);
