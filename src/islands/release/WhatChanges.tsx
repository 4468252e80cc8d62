import { useState, type ReactNode } from 'react';
import type { Policy } from '../../core/policy/types.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { EffectAwaited } from './effect/EffectAwaited.tsx';
import { Tabs } from '../../ui/Tabs.tsx';

const Effect = lazyPart(() => import('./effect/Effect.tsx'), <EffectAwaited soFar={null} />);

const tabs = [
  ['', 'for shoppers'],
  ['edits', 'edit by edit'],
] as const;

/** What changes between two policies: for shoppers, in a picture and in sentences; or edit by edit, which `children` say. */
export function WhatChanges({
  was,
  is,
  prefix,
  title = null,
  children,
}: {
  was: Policy;
  is: Policy;
  /** of what its tabs are found by in tests */
  prefix: string;
  /** of the page on which what changes for shoppers is printed; null: it is not */
  title?: string | null;
  children: ReactNode;
}) {
  const [tab, setTab] = useState('');
  return (
    <>
      <Tabs label="What changes" tabs={tabs} chosen={tab} choose={setTab} prefix={prefix} />
      {tab === 'edits' ? children : <Effect was={was} is={is} title={title} />}
    </>
  );
}
