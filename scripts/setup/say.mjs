/** What is being done, one quiet line each. */
export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** An end that the person at the keyboard can do something about. */
export class Stop extends Error {}
