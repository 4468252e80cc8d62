import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { ensureNpmPackages } from './npm-packages.mjs';

// All that a start finds as it is, where it may write nothing itself.
const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
ensureNpmPackages(root);
ensureBuilt(root);
