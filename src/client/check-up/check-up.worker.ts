import { expose } from 'comlink';
import { CheckingUp } from './checking-up.ts';

expose(new CheckingUp());
