/** An arm as orders carry it: experiment and arm. */
export type ArmName = `${string}/${string}`;

/** Ids have no slash. */
export const armName = (experiment: string, arm: string): ArmName => `${experiment}/${arm}`;
