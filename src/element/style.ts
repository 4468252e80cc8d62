/** Taken over as a constructed sheet, which no content policy forbids. All that a shop wants otherwise are properties and parts. */
export const style = `
:host {
  display: block;
  min-height: var(--summant-height, 0);
  color: var(--summant-ink, inherit);
  font: var(--summant-font, inherit);
}
:host([hidden]) { display: none; }
.all { display: grid; gap: var(--summant-gap, 0.5em); min-width: 0; }
.all:empty { display: none; }
.away { visibility: hidden; }
.text { margin: 0; text-align: var(--summant-align, start); }
:host([place='strip']) .text {
  padding: var(--summant-padding, 0.6em 1em);
  text-align: var(--summant-align, center);
  color: var(--summant-strip-ink, inherit);
  background: var(--summant-strip, transparent);
}
.bar {
  height: var(--summant-bar-height, 6px);
  border-radius: 99px;
  overflow: hidden;
  background: var(--summant-track, color-mix(in srgb, currentColor 16%, transparent));
}
.bar > i {
  display: block;
  height: 100%;
  border-radius: inherit;
  background: var(--summant-bar, currentColor);
  transition: width 0.3s;
}
fieldset { margin: 0; padding: 0; border: 0; display: grid; gap: 0.15em; min-width: 0; }
legend { padding: 0 0 0.25em; font-weight: 600; }
label, .gone {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 0.1em 0.6em;
  align-items: baseline;
  padding: 0.35em 0;
}
.gone { grid-template-columns: minmax(0, 1fr) auto; }
.close { display: flex; flex-wrap: wrap; align-items: baseline; gap: 0.1em 0.6em; padding: 0.35em 0; }
.close > :first-child { flex: 1 1 9em; }
.gone, small { opacity: 0.75; }
small { grid-column: 2 / -1; font-size: 0.85em; }
.price { font-variant-numeric: tabular-nums; white-space: nowrap; }
s { opacity: 0.75; margin-inline-end: 0.4em; }
summary { cursor: pointer; }
details p { margin: 0.3em 0 0; font-variant-numeric: tabular-nums; }
button { font: inherit; padding: 0.25em 0.9em; cursor: pointer; }
:focus-visible { outline: 2px solid currentColor; outline-offset: 2px; }
@media (prefers-reduced-motion: reduce) { .bar > i { transition: none; } }
`;
