// Runs in the page: times each move from its input event to after the frame that shows it, and checks that frame.
(() => {
  window.moves = [];
  const amount = (text) => Number((text ?? '').replace(/[^0-9]/g, ''));
  const cards = () =>
    [...document.querySelectorAll('[data-testid^="bench-"]')].map((card) => ({
      lead: card.querySelector('[data-testid=lead-text]')?.textContent ?? '',
      percent: Number(card.querySelector('progress')?.getAttribute('value')),
    }));
  let counted = null;
  const goal = () => Number(document.querySelector('[data-testid=pennant]').getAttribute('aria-valuenow'));
  // What each cart counts follows from the first state in which all three are on the way; before that nothing is judged.
  const learn = () => {
    const now = cards();
    if (now.every(({ percent }) => percent < 100)) counted = now.map(({ lead }) => goal() - amount(lead));
  };
  window.addEventListener(
    'pointermove',
    (event) => {
      const before = goal();
      requestAnimationFrame(() => {
        const value = goal();
        if (value === before) return;
        if (!counted) learn();
        const together =
          counted === null ||
          cards().every(({ lead, percent }, i) =>
            counted[i] >= value ? percent === 100 && amount(lead) === 0 : amount(lead) === value - counted[i],
          );
        const judged = counted !== null;
        const channel = new MessageChannel();
        channel.port1.onmessage = () => {
          if (judged) window.moves.push({ time: performance.now() - event.timeStamp, together });
        };
        channel.port2.postMessage(null);
      });
    },
    { capture: true },
  );
})();
