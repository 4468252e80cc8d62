// Runs in the page of the Orders stop.
(() => {
  const find = (id) => document.querySelector(`[data-testid=${id}]`);
  const setValue = (element, value) =>
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element), 'value').set.call(element, value);

  /** ms from choosing to the frame in which the new picture stands */
  window.changeTo = ([id, wanted]) =>
    new Promise((resolve) => {
      const before = find('density')?.getAttribute('d');
      const began = performance.now();
      const look = () => {
        const now = find('density')?.getAttribute('d');
        if (now && now !== before) requestAnimationFrame(() => resolve(performance.now() - began));
        else requestAnimationFrame(look);
      };
      const select = find(id);
      setValue(select, wanted);
      select.dispatchEvent(new Event('change', { bubbles: true }));
      requestAnimationFrame(look);
    });

  /** Sixty moves, one a frame as a pointer makes them; judged by what stands when the next frame begins. */
  window.dragAlong = (what) =>
    new Promise((resolve) => {
      const element = find(what === 'goal' ? 'pennant' : 'band-range');
      const box = element.getBoundingClientRect();
      const shown = () =>
        what === 'goal'
          ? `${element.getAttribute('aria-valuenow')} ${find('trial-net').textContent}`
          : [...document.querySelectorAll('[data-testid=bands] rect')].map((bar) => bar.getAttribute('width')).join();
      const result = { times: [], late: 0, moves: 0 };
      const pointer = (type, x) =>
        element.dispatchEvent(
          new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: x, clientY: box.top + 8, buttons: 1 }),
        );
      element.setPointerCapture = () => {};
      if (what === 'goal') pointer('pointerdown', box.left + 4);
      let i = 0;
      const move = () => {
        if (i === 60) {
          if (what === 'goal') pointer('pointerup', box.left + 64);
          return resolve(result);
        }
        i++;
        const before = shown();
        const began = performance.now();
        // From the event to the last change of the page that it leads to before the next frame.
        let changed = began;
        const watch = new MutationObserver(() => (changed = performance.now()));
        watch.observe(find('orders-picture').closest('main'), {
          subtree: true,
          childList: true,
          attributes: true,
          characterData: true,
        });
        if (what === 'goal') pointer('pointermove', box.left + 4 + i * 3);
        else {
          setValue(element, String(Number(element.min) + ((i % 20) + 1) * Number(element.step)));
          element.dispatchEvent(new Event('input', { bubbles: true }));
        }
        requestAnimationFrame(() => {
          watch.disconnect();
          result.times.push(changed - began);
          result.moves++;
          if (shown() === before) result.late++;
          move();
        });
      };
      requestAnimationFrame(move);
    });
})();
