/** What is typed to sign in, as it is compared: however it is written, it is one account (Unicode NFKC, without case). */
export const signInKey = (signIn: string): string => signIn.trim().normalize('NFKC').toLowerCase().slice(0, 254);
