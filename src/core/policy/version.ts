/** The version of the policy's schema that this program reads and writes. */
export const currentVersion = 4;
