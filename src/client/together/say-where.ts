import { call } from '../http.ts';

/** As the contract has it; its code does not go to browsers. s */
export const presenceEvery = 10;

const letters = 'abcdefghijklmnopqrstuvwxyz234567';
const newPage = (): string =>
  [...crypto.getRandomValues(new Uint8Array(12))].map((byte) => letters[byte % letters.length]).join('');

/** What is being edited: what the focus is in. */
const thingIn = (target: EventTarget | null): string =>
  target instanceof Element ? (target.closest<HTMLElement>('[data-thing]')?.dataset.thing ?? '') : '';

/** How what says where a page is comes to its end. */
interface Saying {
  end: () => void;
  /** ends it, and says that the page is left */
  leave: () => Promise<unknown>;
}

/** Says where this page is, as long as it is looked at. */
export function sayWhere(place: string): Saying {
  const name = newPage();
  let thing = thingIn(document.activeElement);
  let there = false;
  const say = (at: string): Promise<unknown> => {
    there = at !== '';
    return call('PUT /api/presence', { body: { page: name, place: at, thing }, outlives: at === '' });
  };
  const sayHere = () => {
    if (document.visibilityState === 'visible') void say(place);
    else if (there) void say('');
  };
  const onFocus = ({ target }: FocusEvent) => {
    const next = thingIn(target);
    if (next === thing) return;
    thing = next;
    sayHere();
  };
  sayHere();
  const pulse = setInterval(sayHere, presenceEvery * 1000);
  const onHide = () => void say('');
  document.addEventListener('focusin', onFocus);
  document.addEventListener('visibilitychange', sayHere);
  window.addEventListener('pagehide', onHide);
  const end = () => {
    clearInterval(pulse);
    document.removeEventListener('focusin', onFocus);
    document.removeEventListener('visibilitychange', sayHere);
    window.removeEventListener('pagehide', onHide);
  };
  return {
    end,
    leave: () => {
      end();
      return say('');
    },
  };
}
