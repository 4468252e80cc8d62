/** One installation serves one store. */
export const storeId = 1;
