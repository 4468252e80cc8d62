import arabic from '@fontsource-variable/noto-sans-arabic/index.css?url';
import japanese from '@fontsource-variable/noto-sans-jp/index.css?url';
import { useEffect } from 'react';

const sheets: Record<string, string> = { ar: arabic, fa: arabic, ur: arabic, ja: japanese };

/** ms */
const latest = 3000;

/** Fetches type for languages that the page's own has no letters for. Only what is shown of it is loaded. */
export function useLetters(languages: readonly string[]): void {
  const wanted = [...new Set(languages.flatMap((language) => sheets[language.split('-')[0]!] ?? []))].sort().join(' ');
  useEffect(() => {
    if (wanted === '') return;
    // Hundreds of faces are listed: not while the page is coming alive.
    const fetching = requestIdleCallback(() => {
      for (const href of wanted.split(' ')) {
        if (!document.querySelector(`link[href="${href}"]`)) document.head.append(Object.assign(document.createElement('link'), { rel: 'stylesheet', href }));
      }
    }, { timeout: latest });
    return () => cancelIdleCallback(fetching);
  }, [wanted]);
}
