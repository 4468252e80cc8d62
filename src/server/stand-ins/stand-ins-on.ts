/** Whether the simulated outside services answer: for trying, and in tests. The start says so where nobody has. */
export const standInsAreOn = (): boolean => process.env.SUMMANT_STAND_INS !== 'off';
