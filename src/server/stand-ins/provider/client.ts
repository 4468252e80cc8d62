/** How Summant is known at the stand-in provider. It guards nothing: whoever comes may be whoever they choose. */
export const standInClient = { client: 'summant', secret: 'stand-in' } as const;
