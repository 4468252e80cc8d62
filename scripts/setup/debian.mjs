import { spawnSync } from 'node:child_process';
import { accessSync, constants } from 'node:fs';
import { join } from 'node:path';
import { say, Stop } from './say.mjs';

const folders = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/sbin', '/usr/bin'];

/** Full path of a program, or null. */
export function findProgram(name) {
  for (const folder of folders) {
    const path = join(folder || '.', name);
    try {
      accessSync(path, constants.X_OK);
      return path;
    } catch {
      continue;
    }
  }
  return null;
}

/**
 * The path of a program, installing Debian packages when it is missing: as root or with sudo that asks nothing.
 * @throws Stop with the one line to run otherwise
 */
export function programFromDebian(program, packages) {
  const present = findProgram(program);
  if (present) return present;
  const byHand = `apt-get update && apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  const root = process.getuid?.() === 0;
  const sudo = root ? null : findProgram('sudo');
  const mayInstall =
    findProgram('apt-get') && (root || (sudo && spawnSync(sudo, ['-n', 'true'], { stdio: 'ignore' }).status === 0));
  if (!mayInstall)
    throw new Stop(
      `${program} is missing and cannot be installed from here. Run this line, then try again:\n\n  sudo sh -c "${byHand}"\n`,
    );
  say(`Installing ${packages.join(', ')} from Debian's packages …`);
  const run = (args) => {
    const [command, ...rest] = root ? ['apt-get', ...args] : [sudo, '-n', 'apt-get', ...args];
    const result = spawnSync(command, rest, {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      encoding: 'utf8',
    });
    return result.status === 0 ? null : result.stderr.trim().split('\n').slice(-3).join('\n');
  };
  run(['update', '-qq']);
  const failure = run(['install', '-y', '-qq', '--no-install-recommends', ...packages]);
  const installed = findProgram(program);
  if (!installed)
    throw new Stop(
      `${packages.join(', ')} could not be installed${failure ? `: ${failure}` : ''}. Run this line, then try again:\n\n  sudo sh -c "${byHand}"\n`,
    );
  return installed;
}
