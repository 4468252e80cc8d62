// Known weaknesses of the packages that Summant runs with, where a registry tells them. Without one nothing is found, which is said.
import { spawnSync } from 'node:child_process';

const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], { encoding: 'utf8', timeout: 60_000 });
let found = null;
try {
  found = JSON.parse(stdout).metadata?.vulnerabilities ?? null;
} catch {
  // No answer, or none that says anything.
}
if (!found) console.log('No registry tells of known weaknesses here: not looked at.');
else {
  console.log(`Known weaknesses: ${JSON.stringify(found)}.`);
  if (found.high + found.critical > 0) process.exitCode = 1;
}
