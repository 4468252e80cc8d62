/** The longest that goods may take before they can leave, in working days. */
export const mostPreparationDays = 365;
