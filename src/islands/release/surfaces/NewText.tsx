import { useState } from 'react';
import { fileShapes } from '../../../core/surfaces/generated/files.ts';
import { inOrder } from '../../../core/ordered.ts';
import type { Surface } from '../../../core/policy/types.ts';
import { surfaceKindOf } from '../../../core/surface-kinds/registry.ts';
import { PhraseSelect } from '../../../ui/PhraseSelect.tsx';
import { usePolicy } from '../../page/draft-context.tsx';
import { GeneratedText } from './GeneratedText.tsx';

/** What a surface is to say, as it is generated for its market and language. */
export function NewText({ surface }: { surface: Surface }) {
  const policy = usePolicy();
  const choices = fileShapes.filter(({ shows }) => shows === surfaceKindOf(surface).brings);
  const [chosen, setChosen] = useState<string>(choices[0]?.file ?? '');
  const file = choices.find((choice) => choice.file === chosen) ?? choices[0];
  const market = inOrder(policy.markets).find(
    ([id]) => Object.keys(surface.markets).length === 0 || surface.markets[id],
  );
  if (!file || !market) return <p className="text-soft">There is no market to write it for.</p>;
  const [marketId, { languages }] = market;
  const language = languages.find((one) => surface.languages.includes(one)) ?? languages[0]!;
  return (
    <>
      <p className="text-small text-soft">
        New text:{' '}
        {choices.length > 1 ? (
          <PhraseSelect
            label="The new text as"
            value={file.file}
            options={choices.map((choice) => [choice.file, choice.called] as const)}
            choose={setChosen}
          />
        ) : (
          file.called
        )}
        , as the draft has it
      </p>
      <GeneratedText market={marketId} language={language} file={file} />
    </>
  );
}
