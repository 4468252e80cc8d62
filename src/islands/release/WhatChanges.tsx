import type { PolicyChange } from '../../core/changes/changes.ts';
import type { Policy } from '../../core/policy/types.ts';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { Tabs } from '../../ui/Tabs.tsx';
import { useState } from 'react';
import { ChangeList } from './ChangeList.tsx';

const Effect = lazyPart(
  () => import('./effect/Effect.tsx'),
  <p className="py-2 text-soft">What changes for shoppers is being worked out.</p>,
);

const tabs = [
  ['', 'for shoppers'],
  ['edits', 'edit by edit'],
] as const;

/** What a release would change: for shoppers, in a picture and in sentences; or edit by edit. */
export function WhatChanges({ was, is, changes }: { was: Policy; is: Policy; changes: PolicyChange[] }) {
  const [tab, setTab] = useState('');
  return (
    <>
      <Tabs label="What changes" tabs={tabs} chosen={tab} choose={setTab} prefix="changes" />
      {tab === 'edits' ? <ChangeList changes={changes} released /> : <Effect was={was} is={is} />}
    </>
  );
}
