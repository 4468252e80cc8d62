import { EditorView } from '@codemirror/view';

/** The field in the tokens of the page, which reach into its shadow root. */
export const looks = EditorView.theme({
  '&': {
    font: 'inherit',
    color: 'inherit',
    backgroundColor: 'transparent',
    border: '1px solid var(--hairline)',
    borderRadius: 'var(--radius-field)',
  },
  '&:hover': { borderColor: 'var(--ink-faint)' },
  '&.cm-focused': { outline: '2px solid var(--color-primary)', outlineOffset: '1px' },
  '.cm-scroller': { fontFamily: 'inherit', lineHeight: '1.45' },
  '.cm-content': { padding: '5px 0', minHeight: '50px', caretColor: 'var(--color-base-content)' },
  '.cm-line': { padding: '0 6px' },
  '.cm-placeholder': { color: 'var(--ink-soft)', fontStyle: 'italic', whiteSpace: 'normal' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground, ::selection': {
    backgroundColor: 'color-mix(in oklch, var(--color-primary) 24%, transparent)',
  },
  '.chip': {
    backgroundColor: 'color-mix(in oklch, var(--color-primary) 18%, transparent)',
    boxShadow: '0 0 0 1px color-mix(in oklch, var(--color-primary) 30%, transparent)',
    borderRadius: '3px',
  },
  '.mistake': { textDecoration: 'underline wavy var(--color-error) 1.5px', textUnderlineOffset: '3px' },
  '.cm-tooltip': {
    color: 'var(--color-base-content)',
    backgroundColor: 'var(--color-base-100)',
    border: '1px solid var(--ink-faint)',
    borderRadius: 'var(--radius-box)',
    zIndex: '20',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': {
    fontFamily: 'inherit',
    fontSize: 'var(--text-fine)',
    maxHeight: '11rem',
    maxWidth: 'min(26rem, 90vw)',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': { padding: '2px 8px' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]': {
    color: 'inherit',
    backgroundColor: 'var(--color-base-300)',
  },
  '.cm-completionLabel': { color: 'var(--color-primary)' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '640' },
  '.cm-completionDetail': { color: 'var(--ink-soft)', fontStyle: 'normal', marginLeft: '8px' },
});
