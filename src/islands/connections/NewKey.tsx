import { useState } from 'react';
import type { KeyKind } from '../../contract/shapes/access-key.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Origins } from './Origins.tsx';

interface Body {
  name: string;
  kind: KeyKind;
  origins: string[];
}

export const kinds: readonly (readonly [KeyKind, string])[] = [
  ['secret', 'the shop’s server, for every call'],
  ['publishable', 'pages that shoppers see, for quotes alone'],
];

/** Adds a key, in a sentence. */
export function NewKey({ busy, make }: { busy: boolean; make: (body: Body) => Promise<boolean> }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<KeyKind>('secret');
  const [origins, setOrigins] = useState<string[]>([]);
  const publishable = kind === 'publishable';
  const ready = name.trim() !== '' && (!publishable || origins.length > 0);
  const send = async () => {
    if (!ready || !(await make({ name, kind, origins: publishable ? origins : [] }))) return;
    setName('');
    setOrigins([]);
  };
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-2 gap-y-1 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      data-testid="new-key"
    >
      <label className="inline-flex items-baseline gap-x-2">
        A key named
        <input
          className="field"
          placeholder="which shop"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
          data-testid="key-name"
        />
      </label>
      <span>
        for{' '}
        <PhraseSelect
          label="What the key is for"
          value={kind}
          options={kinds}
          choose={(chosen) => setKind(chosen as KeyKind)}
          testId="key-kind"
        />
      </span>
      {publishable && (
        <span>
          of <Origins origins={origins} change={setOrigins} />
        </span>
      )}
      <button type="submit" className="btn btn-primary btn-xs" disabled={busy || !ready} data-testid="make-key">
        Make it
      </button>
    </form>
  );
}
