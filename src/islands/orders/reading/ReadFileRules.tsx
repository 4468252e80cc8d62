import { useCallback } from 'react';
import { readRulesOfFile } from '../../../client/orders/reading/reading-client.ts';
import type { TellShare } from '../../../client/orders/reading/sometimes.ts';
import type { ImportMapping } from '../../../core/imports/mapping.ts';
import { usePolicy } from '../../page/draft-context.tsx';
import { ProposeMarkets } from '../import/ProposeMarkets.tsx';
import { Proposal } from './Proposal.tsx';
import { ReadingProgress } from './ReadingProgress.tsx';
import { useReading } from './use-reading.ts';

/** A store that has nothing yet: how it charges is read from its file of orders, and proposed. */
export function ReadFileRules({ file, mapping }: { file: File; mapping: ImportMapping }) {
  const { timeZone } = usePolicy().store;
  const begin = useCallback(
    (tell: TellShare) => readRulesOfFile(file, mapping, timeZone, tell),
    [file, mapping, timeZone],
  );
  const { reading, stop, again } = useReading(begin);
  if (reading.state !== 'found')
    return (
      <div className="mt-2 border-l-2 border-primary pl-3">
        <ReadingProgress
          what="Reading from the orders how they were charged"
          reading={reading}
          stop={stop}
          again={again}
        />
        {reading.state !== 'reading' && <ProposeMarkets file={file} mapping={mapping} />}
      </div>
    );
  const { proposals } = reading.found;
  if (proposals.every(({ options }) => options.length === 0)) return <ProposeMarkets file={file} mapping={mapping} />;
  return (
    <div className="mt-2 border-l-2 border-primary pl-3">
      <Proposal found={reading.found} into={null} />
    </div>
  );
}
