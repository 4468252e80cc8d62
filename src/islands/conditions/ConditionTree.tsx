import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import {
  addNode,
  dissolveGroup,
  moveNode,
  removeNode,
  setNode,
  wrapNode,
  type PolicyPath,
} from '../../client/edits/condition-edits.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Condition, ConditionNode } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { SortableRow, SortableRows } from '../../ui/SortableRows.tsx';
import { AddCondition } from './AddCondition.tsx';
import type { ConditionEditorProps } from './condition-editor-props.ts';
import { ConditionLeaf } from './ConditionLeaf.tsx';
import { useEdit } from '../page/use-edit.tsx';

const ofWords: [Condition['of'], string][] = [
  ['all', 'all of this'],
  ['any', 'at least one of this'],
  ['none', 'none of this'],
];

/** Nesting beyond this is refused by the check of a policy. */
const maxDepth = 8;

/** A tree of conditions, edited in place: its script is fetched when one is opened. */
export default function ConditionTree({ path, condition, markets, label }: ConditionEditorProps) {
  return (
    <div className="my-1 border-l-2 border-primary pl-3" role="group" aria-label={label} data-testid="condition-editor">
      <Tree path={path} of={condition.of} conditions={condition.conditions} depth={1} markets={markets} />
    </div>
  );
}

function Tree({
  path,
  of,
  conditions,
  depth,
  markets,
}: {
  path: PolicyPath;
  of: Condition['of'];
  conditions: Condition['conditions'];
  depth: number;
  markets: readonly string[];
}) {
  const edit = useEdit();
  const nodes = inOrder(conditions);
  const ids = nodes.map(([id]) => id);
  return (
    <>
      <p>
        <PhraseSelect
          label={depth === 1 ? 'How many must hold' : 'How many of the group must hold'}
          value={of}
          options={ofWords}
          choose={(next) => edit(setNode(path, { of: next }))}
          testId={`of-${depth}`}
        />
        {nodes.length === 0 && (
          <span className="text-soft"> {of === 'any' ? '(nothing yet: never)' : '(nothing yet: always)'}</span>
        )}
      </p>
      <SortableRows
        ids={ids}
        nameOf={(id) => `condition ${ids.indexOf(id) + 1}`}
        move={(id, by) => edit(moveNode(path, id, by))}
      >
        <ol className="ml-1 border-l border-faint pl-3">
          {nodes.map(([id, node], index) => (
            <SortableRow
              key={id}
              id={id}
              still={nodes.length < 2}
              className="contain-layout"
              data-testid={`condition-${id}`}
            >
              {({ handle, arrows, onKey }) => (
                <div className="flex flex-wrap items-baseline gap-x-1" onKeyDown={onKey}>
                  {nodes.length > 1 && (
                    <span className="flex items-center self-center">
                      {handle}
                      {arrows}
                    </span>
                  )}
                  <div className="min-w-0 flex-1 basis-60">
                    <NodeBody id={id} path={[...path, 'conditions', id]} node={node} depth={depth} markets={markets} />
                  </div>
                  <span className="text-small">
                    {node.kind === 'group' ? (
                      <button type="button" className="btn btn-xs" onClick={() => edit(dissolveGroup(path, id))}>
                        dissolve the group
                      </button>
                    ) : (
                      depth < maxDepth && (
                        <button
                          type="button"
                          className="btn btn-xs"
                          onClick={() => edit(wrapNode([...path, 'conditions', id], of === 'any' ? 'all' : 'any'))}
                          aria-label={`group it: condition ${index + 1}`}
                        >
                          group it
                        </button>
                      )
                    )}
                    <Remove
                      what={`condition ${index + 1}`}
                      remove={() => edit(removeNode([...path, 'conditions', id]))}
                    />
                  </span>
                </div>
              )}
            </SortableRow>
          ))}
          <li>
            <AddCondition markets={markets} nested={depth < maxDepth} add={(node) => edit(addNode(path, node))} />
          </li>
        </ol>
      </SortableRows>
    </>
  );
}

function NodeBody({
  id,
  path,
  node,
  depth,
  markets,
}: {
  id: string;
  path: PolicyPath;
  node: ConditionNode;
  depth: number;
  markets: readonly string[];
}) {
  const [folded, setFolded] = useState(false);
  if (node.kind !== 'group') return <ConditionLeaf path={path} node={node} markets={markets} />;
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-xs px-1 text-soft"
        aria-expanded={!folded}
        onClick={() => setFolded(!folded)}
        aria-label={`Group ${id}`}
      >
        {folded ? <ChevronRight size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
      </button>
      {folded ? (
        <span className="text-soft">a group of {Object.keys(node.conditions).length}</span>
      ) : (
        <Tree path={path} of={node.of} conditions={node.conditions} depth={depth + 1} markets={markets} />
      )}
    </>
  );
}
