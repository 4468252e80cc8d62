import { useState } from 'react';
import type { BodyOf } from '../../../contract/calls.ts';
import { ReadFile } from '../../../ui/ReadFile.tsx';

type Handed = BodyOf<'PUT /api/surfaces/{id}/text'>;

/** What a text looks like: as files of that kind begin. */
function formatOfText(text: string): Handed['format'] {
  const begin = text.trimStart().slice(0, 200).toLowerCase();
  if (begin.startsWith('{') || begin.startsWith('[')) return 'json';
  if (begin.startsWith('<?xml') || begin.startsWith('<rss') || begin.startsWith('<feed')) return 'xml';
  if (begin.startsWith('<')) return 'html';
  const [first = ''] = text.trimStart().split('\n', 1);
  return /^[\w ]+([,;\t][\w ]+){3,}\s*$/.test(first) ? 'csv' : 'text';
}

/** Takes in what a surface says: pasted, or as a file. */
export function HandIn({ busy, handIn }: { busy: boolean; handIn: (body: Handed) => Promise<void> }) {
  const [text, setText] = useState('');
  const [refused, setRefused] = useState(false);
  const send = (content: string, source: Handed['source']) =>
    void handIn({ text: content, format: formatOfText(content), source }).then(() => setText(''));
  return (
    <div className="mt-2">
      <textarea
        className="field w-full text-left"
        rows={2}
        aria-label="What it says, pasted"
        placeholder="Paste what it says"
        value={text}
        onChange={(event) => setText(event.target.value)}
        data-testid="surface-paste"
      />
      <div className="flex flex-wrap items-baseline gap-2">
        <button
          type="button"
          className="btn btn-sm"
          disabled={busy || text.trim() === ''}
          onClick={() => send(text, 'pasted')}
          data-testid="surface-compare-pasted"
        >
          Compare this
        </button>
        <ReadFile
          label="a file"
          accept=".html,.htm,.txt,.md,.csv,.xml,.rss,.json,.jsonld"
          what="what it says"
          mostMegabytes={1}
          read={(content) => {
            setRefused(content === null);
            if (content !== null) send(content, 'file');
          }}
          testId="surface-file"
        />
        {refused && <span className="text-error">The file is larger than 1 MB or cannot be read.</span>}
      </div>
    </div>
  );
}
