import arabic from '@fontsource-variable/noto-sans-arabic/index.css?url';
import japanese from '@fontsource-variable/noto-sans-jp/index.css?url';
import { useEffect } from 'react';

const sheets: Record<string, string> = { ar: arabic, fa: arabic, ur: arabic, ja: japanese };

/** Fetches type for languages that the page's own has no letters for. Only what is shown of it is loaded. */
export function useLetters(languages: readonly string[]): void {
  const wanted = [...new Set(languages.flatMap((language) => sheets[language.split('-')[0]!] ?? []))].sort().join(' ');
  useEffect(() => {
    for (const href of wanted.split(' ')) {
      if (href === '' || document.querySelector(`link[href="${href}"]`)) continue;
      const link = Object.assign(document.createElement('link'), { rel: 'stylesheet', href });
      document.head.append(link);
    }
  }, [wanted]);
}
