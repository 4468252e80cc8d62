/** Files of tests that run side by side. Each worker of the browser tests has its own servers. */
export const workers = 2;
