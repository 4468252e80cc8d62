// Everything that must hold, from a fresh checkout: types, layering, unit, server and browser tests. Ends on the counts.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { programFromDebian } from './setup/debian.mjs';
import { ensureNpmPackages } from './setup/npm-packages.mjs';
import { say, Stop } from './setup/say.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
const bin = (name) => join(root, 'node_modules', '.bin', name);
const reports = mkdtempSync(join(tmpdir(), 'summant-tests-'));
const counts = { passed: 0, failed: 0, skipped: 0 };
/** What was not good, said once more where everybody looks first: at the end. */
const notGood = [];

/** What a step says stands together, also where several run side by side. */
function step(name, command, args) {
  const started = Date.now();
  say(`── ${name} …`);
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NO_COLOR: '1' },
    });
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.stderr.on('data', (chunk) => (said += chunk));
    child.once('error', (error) => (said += `${error}\n`));
    child.once('close', (status) => {
      const seconds = Math.round((Date.now() - started) / 1000);
      say(`\n── ${name}\n${said}── ${name}: ${status === 0 ? 'good' : 'NOT good'}, ${seconds} s`);
      if (status !== 0) notGood.push(`${name} ended with ${status}`, ...whatWentWrong(said));
      resolve(status === 0);
    });
  });
}

/** The lines of a step in which something went wrong, with what follows each; not all where there are many. */
function whatWentWrong(said) {
  const lines = said.split('\n');
  const wrong = /^\s*(FAIL |\w*Error: )|Unhandled|Failed Suites|\[vitest/;
  return lines
    .flatMap((line, at) => (wrong.test(line) ? lines.slice(at, at + 3) : []))
    .filter((line) => line.trim() !== '')
    .slice(0, 40)
    .map((line) => `  ${line.slice(0, 300)}`);
}

/** A step that is good or not as a whole. */
async function check(name, command, args) {
  counts[(await step(name, command, args)) ? 'passed' : 'failed'] += 1;
}

/** A project of tests; a run that brings no report counts as one failure. */
async function tests(project) {
  const report = join(reports, `${project}.json`);
  const good = await step(`${project} tests`, bin('vitest'), [
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile=${report}`,
  ]);
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'));
    counts.passed += result.numPassedTests;
    counts.failed += result.numFailedTests;
    counts.skipped += result.numPendingTests + result.numTodoTests;
    if (!good && result.numFailedTests === 0) counts.failed += 1;
  } catch {
    counts.failed += 1;
  }
}

/** Types, then the build that server and browser tests run on: both write what the framework generates. */
async function typesAndBuild() {
  await check('type check', bin('astro'), ['check', '--minimumFailingSeverity', 'error']);
  await check('build', process.execPath, ['scripts/setup/ensure-built.mjs']);
}

async function formAndUnits() {
  await check('form', bin('prettier'), ['--check', '.']);
  await check('lint', bin('eslint'), ['.']);
  await check('known weaknesses of packages', process.execPath, ['scripts/setup/audit-packages.mjs']);
  await check('layering', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'src', 'demo']);
  await tests('unit');
}

try {
  ensureNpmPackages(root);
  programFromDebian('mariadbd', ['mariadb-server']);
  programFromDebian('chromium', ['chromium', 'fonts-liberation']);
  await Promise.all([typesAndBuild(), formAndUnits()]);
  await tests('server');
  await tests('browser');
  await tests('cluster');
} catch (error) {
  notGood.push(error instanceof Stop ? error.message : String(error?.stack ?? error));
  counts.failed += 1;
} finally {
  rmSync(reports, { recursive: true, force: true });
}
if (notGood.length > 0) say(`\n── Not good:\n${notGood.join('\n')}`);
say(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
process.exitCode = counts.failed === 0 ? 0 : 1;
