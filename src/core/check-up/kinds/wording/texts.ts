import { missingLanguages } from '../../../wording/languages/missing-languages.ts';
import { policyWordingFaults } from '../../../wording/policy-faults.ts';
import { stateName } from '../../../wording/text-address.ts';
import { speakerName, textSpeakers } from '../../../wording/text-speaker.ts';
import { textTable } from '../../../wording/text-table.ts';
import type { FindingKind } from '../../kind.ts';

/** A text with a mistake, unfinished or too long. */
export const textFault: FindingKind = {
  kind: 'textFault',
  called: 'mistakes in texts',
  stop: 'wording',
  find: ({ compiled: { policy } }) =>
    policyWordingFaults(policy).map(({ speakerId, state, place, language, severity, breaks, message }) => ({
      // Shoppers go on reading the last good one.
      severity: breaks ? 'risky' : severity,
      at: `/wording/${speakerId}/${state}/${place}/${language}`,
      key: message,
      marketId: null,
      sentence: `“${speakerName(policy, speakerId)}”, ${stateName(state)}, ${language}: ${message}`,
      example: null,
      remedy: null,
    })),
};

/** Texts that some shoppers would read in another language than theirs, or not at all. */
export const textMissing: FindingKind = {
  kind: 'textMissing',
  called: 'languages without texts',
  stop: 'wording',
  find: ({ compiled: { policy } }) =>
    missingLanguages(policy).map(({ speakerId, language, instead }) => ({
      severity: 'risky',
      at: `/wording/${speakerId}`,
      key: language,
      marketId: null,
      sentence: `“${speakerName(policy, speakerId)}” has no text in ${language}: shoppers read ${instead ?? 'nothing'}.`,
      example: null,
      remedy: null,
    })),
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
