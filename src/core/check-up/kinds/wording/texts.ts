import { missingLanguages } from '../../../wording/languages/missing-languages.ts';
import { sharedFaults } from '../../../wording/shared-faults.ts';
import { stateName } from '../../../wording/text-address.ts';
import { speakerName, textSpeakers } from '../../../wording/text-speaker.ts';
import { textTable } from '../../../wording/text-table.ts';
import type { FindingKind } from '../../kind.ts';

/** A text with a mistake, unfinished or too long; of several languages once, where they have it in common. */
export const textFault: FindingKind = {
  kind: 'textFault',
  called: 'mistakes in texts',
  stop: 'wording',
  find: ({ compiled: { policy } }) =>
    sharedFaults(policy).map(({ fault, languages, then, kept }) => ({
      // Shoppers go on reading the last good one.
      severity: kept ? 'risky' : fault.severity,
      at: `/wording/${fault.speakerId}/${fault.state}/${fault.place}/${fault.language}`,
      key: fault.message,
      marketId: null,
      sentence: `“${speakerName(policy, fault.speakerId)}”, ${stateName(fault.state)}, ${[...languages].join(', ')}: ${fault.message}${then}`,
      example: null,
      remedy: null,
    })),
};

/** Texts that some shoppers would read in another language than theirs, or not at all. */
export const textMissing: FindingKind = {
  kind: 'textMissing',
  called: 'languages without texts',
  stop: 'wording',
  find: ({ compiled: { policy } }) => {
    const missing = new Map<string, ReturnType<typeof missingLanguages>>();
    for (const one of missingLanguages(policy))
      missing.set(one.speakerId, [...(missing.get(one.speakerId) ?? []), one]);
    return [...missing].map(([speakerId, list]) => ({
      severity: 'risky' as const,
      at: `/wording/${speakerId}`,
      marketId: null,
      sentence: `“${speakerName(policy, speakerId)}” has no text in ${list.map(({ language, instead }) => `${language} (shoppers read ${instead ?? 'nothing'})`).join(', ')}.`,
      example: null,
      remedy: null,
    }));
  },
};

/** Translations whose source has changed since they were made. */
export const textStale: FindingKind = {
  kind: 'textStale',
  called: 'translations whose source has changed',
  stop: 'wording',
  find: ({ compiled: { policy } }) => {
    const on = new Set(textSpeakers(policy).flatMap((speaker) => (speaker.on ? [speaker.id] : [])));
    return textTable(policy).rows.flatMap(({ speakerId, state, place, cells }) =>
      cells.flatMap((cell) =>
        cell.status !== 'stale' || !on.has(speakerId)
          ? []
          : [
              {
                severity: 'remark' as const,
                at: `/wording/${speakerId}/${state}/${place}/${cell.language}`,
                marketId: null,
                sentence: `“${speakerName(policy, speakerId)}”, ${stateName(state)}, ${cell.language} was made from “${cell.madeFrom}”, which reads otherwise now.`,
                example: null,
                remedy: null,
              },
            ],
      ),
    );
  },
};
