const shape = /^[A-Z0-9][A-Z0-9_-]{0,39}$/;

/** Whether a text may be a code, as shoppers enter it (`code` of the policy’s schema). */
export const isCode = (text: string): boolean => shape.test(text);
