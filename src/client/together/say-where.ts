import { call } from '../http.ts';

/** As the contract has it; its code does not go to browsers. s */
export const presenceEvery = 10;

const letters = 'abcdefghijklmnopqrstuvwxyz234567';
const newPage = (): string =>
  [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => letters[byte % letters.length]).join('');

/** What is being edited: what the focus is in. */
const thingIn = (target: EventTarget | null): string =>
  target instanceof Element ? (target.closest<HTMLElement>('[data-thing]')?.dataset.thing ?? '') : '';

/** Says where this page is, as long as it is looked at. @returns ends it */
export function sayWhere(place: string): () => void {
  const name = newPage();
  let thing = thingIn(document.activeElement);
  let there = false;
  const say = (at: string) => {
    there = at !== '';
    void call('PUT /api/presence', { body: { page: name, place: at, thing }, outlives: at === '' });
  };
  const sayHere = () => {
    if (document.visibilityState === 'visible') say(place);
    else if (there) say('');
  };
  const onFocus = ({ target }: FocusEvent) => {
    const next = thingIn(target);
    if (next === thing) return;
    thing = next;
    sayHere();
  };
  sayHere();
  const pulse = setInterval(sayHere, presenceEvery * 1000);
  const onHide = () => say('');
  document.addEventListener('focusin', onFocus);
  document.addEventListener('visibilitychange', sayHere);
  window.addEventListener('pagehide', onHide);
  return () => {
    clearInterval(pulse);
    document.removeEventListener('focusin', onFocus);
    document.removeEventListener('visibilitychange', sayHere);
    window.removeEventListener('pagehide', onHide);
  };
}
