/** Codes as they are compared: whatever the case in which a shopper types them. */
export const upper = (code: string): string => code.toUpperCase();
