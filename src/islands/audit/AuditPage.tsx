import { useRef, useState } from 'react';
import { call } from '../../client/http.ts';
import type { Audit, AuditFilter } from '../../contract/shapes/audit.ts';
import type { Choices } from '../../contract/shapes/choices.ts';
import type { PageProps } from '../../contract/page.ts';
import { Alert } from '../../ui/Alert.tsx';
import { Frame } from '../frame/Frame.tsx';
import { part } from '../page/parts.ts';
import { useAsking } from '../page/use-asking.ts';
import { AuditSentence } from './AuditSentence.tsx';
import { AuditTable } from './AuditTable.tsx';
import { KeptFor } from './KeptFor.tsx';

interface AuditProps extends PageProps {
  audit: Audit;
  /** names that entries have */
  people: string[];
  choices: Choices;
}

/** Who did what, when and from where. */
export default function AuditPage({ props }: { props: AuditProps }) {
  return (
    <Frame stop="audit" props={props}>
      <div className="px-5 py-3">
        <h1 className="text-head">Audit</h1>
        <section ref={part('audit')} aria-label="Audit">
          <Entries initial={props.audit} people={props.people} />
          <KeptFor initial={props.choices} />
        </section>
      </div>
    </Frame>
  );
}

function Entries({ initial, people }: { initial: Audit; people: readonly string[] }) {
  const [filter, setFilter] = useState<AuditFilter>({});
  const [{ entries, more }, setAudit] = useState(initial);
  const { busy, problem, ask } = useAsking();
  // What was asked before comes too late where something else has been asked since.
  const asked = useRef(filter);
  const read = async (next: AuditFilter) => {
    setFilter(next);
    asked.current = next;
    const found = await ask(() => call('GET /api/audit', { query: next }));
    if (found && asked.current === next) setAudit(found);
  };
  const older = async () => {
    const before = String(entries.at(-1)!.id);
    const found = await ask(() => call('GET /api/audit', { query: { ...filter, before } }));
    if (found && asked.current === filter) setAudit({ entries: [...entries, ...found.entries], more: found.more });
  };
  return (
    <>
      <AuditSentence people={people} filter={filter} choose={(next) => void read(next)} />
      {problem && <Alert className="my-1">{`${problem.title}. ${problem.detail}`}</Alert>}
      <AuditTable entries={entries} busy={busy} />
      {more && (
        <button type="button" className="btn btn-xs mt-1" disabled={busy} onClick={() => void older()}>
          Show older ones
        </button>
      )}
    </>
  );
}
