/** As the contract bounds them, which pages take only types from: a test compares the two. Characters */
export const shortestPassword = 12;
export const longestPassword = 128;
export const longestSignIn = 254;
export const longestName = 80;

export const passwordHint = `At least ${shortestPassword} characters; spaces count. A few words that do not belong together are good.`;
