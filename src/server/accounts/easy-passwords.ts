import { dictionary } from '@zxcvbn-ts/language-common';
import type { Problem } from '../http/problem.ts';
import { weakPassword } from './account-problems.ts';

/** Shorter words are part of any sentence. */
const shortestWord = 5;
const common: ReadonlySet<string> = new Set(
  dictionary['passwords-common'].filter((word: string) => word.length >= shortestWord),
);

/** A password as whoever guesses thinks of it: without case, without what is put around a word, once instead of over and over. */
function guesses(password: string): string[] {
  const lower = password.normalize('NFKC').toLowerCase();
  const bare = lower.replaceAll(/^[^\p{L}]+|[^\p{L}]+$/gu, '');
  return [lower, bare].flatMap((word) => [word, onceOf(word)]);
}

function onceOf(word: string): string {
  const again = (word + word).indexOf(word, 1);
  return word.slice(0, again);
}

/** Why a password is guessed soon; null: it is not. By OWASP ASVS 5.0, 6.2.4 and 6.2.11. @param own what it should not be made of */
export function easyPassword(password: string, own: readonly string[]): Problem | null {
  const tried = guesses(password);
  if (tried.some((guess) => common.has(guess) || guess.length < shortestWord))
    return weakPassword('is among those that are tried first, or one of them with something around it');
  const names = own
    .flatMap((name) => name.toLowerCase().split(/[^\p{L}\p{N}]+/u))
    .filter((name) => name.length >= shortestWord);
  if (tried.some((guess) => names.includes(guess) || own.some((name) => name.toLowerCase() === guess)))
    return weakPassword('is your own name, or what you sign in with');
  return null;
}
