// Runs in the page: types values into a field one after the other, as a person would, and leaves it.
(() => {
  /** Texts are edited within shadow roots. */
  const roots = () => [document, ...[...document.querySelectorAll('*')].flatMap(({ shadowRoot }) => shadowRoot ?? [])];
  const field = (id) => {
    for (const root of roots()) {
      const found = root.querySelector(`[data-testid=${id}]`);
      if (found) return found;
    }
    throw new Error(`there is no ${id}`);
  };
  const frame = () =>
    new Promise((resolve) => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => resolve(performance.now());
      requestAnimationFrame(() => channel.port2.postMessage(null));
    });
  const phrase = () => document.querySelector('[data-testid=draft-phrase]').textContent;
  const type = (element, value) => {
    if (element.isContentEditable) {
      document.execCommand('selectAll');
      document.execCommand('insertText', false, value);
      return;
    }
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element), 'value').set.call(element, value);
    element.dispatchEvent(new Event('input', { bubbles: true }));
  };
  const until = async (holds) => {
    while (!holds()) await new Promise((resolve) => setTimeout(resolve));
    return performance.now();
  };

  window.editsAt = async (id, values) => {
    const done = [];
    for (const value of values) {
      const input = field(id);
      input.focus();
      await frame();
      const typedAt = performance.now();
      type(input, value);
      const repainted = (await frame()) - typedAt;
      const leftAt = performance.now();
      input.blur();
      await until(() => phrase().includes('saving'));
      const saved = (await until(() => phrase().includes('draft saved'))) - leftAt;
      await frame();
      done.push({ repainted, saved });
      await new Promise((resolve) => setTimeout(resolve, 150));
    }
    return done;
  };
})();
