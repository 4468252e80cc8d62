import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';

ensureBuilt(fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, ''));
