/** The receiver that ships with Summant is named by its path alone. */
export const standInReceiver = '/stand-ins/receiver';
