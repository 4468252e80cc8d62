/** Puts the focus where somebody goes on once it has been drawn: after a step that makes something new, or takes away what had the focus. */
export function focusSoon(find: () => HTMLElement | null | undefined, tries = 20): void {
  requestAnimationFrame(() => {
    const found = find();
    if (found) found.focus();
    else if (tries > 0) focusSoon(find, tries - 1);
  });
}

/** The same for what carries a test id. */
export const focusOn = (testId: string): void =>
  focusSoon(() => document.querySelector<HTMLElement>(`[data-testid="${CSS.escape(testId)}"]`));
