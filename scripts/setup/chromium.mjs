/** How Debian's Chromium is started everywhere here: headless, and talking to nobody but the page. */
export const chromiumArguments = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
];
