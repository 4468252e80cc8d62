// Everything that must hold, from a fresh checkout: types, layering, unit, server and browser tests. Ends on the counts.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { programFromDebian } from './setup/debian.mjs';
import { ensureNpmPackages } from './setup/npm-packages.mjs';
import { say, Stop } from './setup/say.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
const bin = (name) => join(root, 'node_modules', '.bin', name);
const reports = mkdtempSync(join(tmpdir(), 'summant-tests-'));
const counts = { passed: 0, failed: 0, skipped: 0 };

function step(name, command, args) {
  say(`\n── ${name}`);
  const started = Date.now();
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', NO_COLOR: '1' },
  });
  say(`── ${name}: ${status === 0 ? 'good' : 'NOT good'}, ${Math.round((Date.now() - started) / 1000)} s`);
  return status === 0;
}

/** A step that is good or not as a whole. */
function check(name, command, args) {
  counts[step(name, command, args) ? 'passed' : 'failed'] += 1;
}

/** A project of tests; a run that brings no report counts as one failure. */
function tests(project) {
  const report = join(reports, `${project}.json`);
  const good = step(`${project} tests`, bin('vitest'), [
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

try {
  ensureNpmPackages(root);
  programFromDebian('mariadbd', ['mariadb-server']);
  programFromDebian('chromium', ['chromium', 'fonts-liberation']);
  check('type check', bin('astro'), ['check', '--minimumFailingSeverity', 'error']);
  check('form', bin('prettier'), ['--check', '.']);
  check('lint', bin('eslint'), ['.']);
  check('layering', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'src', 'demo']);
  tests('unit');
  ensureBuilt(root);
  tests('server');
  tests('browser');
} catch (error) {
  say(error instanceof Stop ? error.message : String(error?.stack ?? error));
  counts.failed += 1;
} finally {
  rmSync(reports, { recursive: true, force: true });
}
say(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
process.exitCode = counts.failed === 0 ? 0 : 1;
