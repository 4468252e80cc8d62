// Source: ICU MessageFormat (version 1 syntax), as implemented by the npm package `@messageformat/core`, which shares no code
// with the parser used here; plural rules come to both from CLDR.
import MessageFormat from '@messageformat/core';
import fc from 'fast-check';
import { IntlMessageFormat } from 'intl-messageformat';
import { expect, test } from 'vitest';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';
import { demoProducts } from '../../demo/products.ts';
import { catalogueOf } from '../../src/core/catalogue/product.ts';
import { compilePolicy } from '../../src/core/evaluation/compile.ts';
import { formattedArguments } from '../../src/core/wording/arguments.ts';
import { isOutside } from '../../src/core/wording/outside/outside-states.ts';
import { settingOf } from '../../src/core/wording/policy-faults.ts';
import { renderText } from '../../src/core/wording/render.ts';
import { nothing, textSamples } from '../../src/core/wording/samples.ts';
import { textAddresses, textAt } from '../../src/core/wording/text-address.ts';

test('every text of the demo, in every language, with every sample and 0 to 120 pieces, reads the same', () => {
  expect(catalogueOf(demoProducts).size).toBeGreaterThan(10);
  const compiled = compilePolicy(demoPolicy);
  const market = [...compiled.markets.values()][0]!;
  const languages = new Set<string>();
  let compared = 0;
  for (const offerId of Object.keys(demoPolicy.wording)) {
    for (const address of textAddresses(demoPolicy, offerId)) {
      const text = textAt(demoPolicy, address)!;
      const { language, state } = address;
      languages.add(language);
      const other = new MessageFormat(language, { biDiSupport: false }).compile(text);
      const samples = isOutside(state)
        ? [{ values: { ...nothing, goal: 7500, deadline: 0, code: 'GALE', given: { amount: 190 } } }]
        : textSamples(compiled, { speakerId: offerId, state, language }, market, 0);
      for (const { values } of samples) {
        for (const items of [0, 1, 2, 3, 5, 6, 10, 11, 12, 20, 21, 22, 99, 100, 101, 102, 111, 120]) {
          const filled = formattedArguments(
            { ...values, items, ...(values.measure === 'value' ? {} : { remaining: items }) },
            settingOf(demoPolicy, language),
            language,
          );
          expect([offerId, state, language, renderText(text, language, filled)]).toEqual([
            offerId,
            state,
            language,
            other(filled),
          ]);
          compared++;
        }
      }
    }
  }
  expect(languages.size).toBeGreaterThanOrEqual(7);
  expect(compared).toBeGreaterThan(500);
});

test('words and values that are joined here read as by the library that reads the rest, and are silent where it throws', () => {
  const value = fc.oneof(fc.string(), fc.integer());
  const parts = fc.array(
    fc.oneof(fc.constantFrom('{goal}', '{code}', '{ items }', "'", "'{", "}'", '<b>', '#', '|'), fc.string()),
  );
  let joined = 0;
  fc.assert(
    fc.property(
      parts,
      fc.record({ goal: value, items: value, code: value }, { requiredKeys: ['goal'] }),
      (all, values) => {
        const text = all.join('');
        const read = attempt(() =>
          String(new IntlMessageFormat(text, 'en', undefined, { ignoreTag: true }).format(values)),
        );
        expect(renderText(text, 'en', values)).toBe(read);
        if (read !== null && text.includes('{goal}')) joined++;
      },
    ),
    { numRuns: 3000 },
  );
  expect(joined).toBeGreaterThan(100);
  expect(renderText('{constructor}', 'en', {})).toBeNull();
});

function attempt(work: () => string): string | null {
  try {
    return work();
  } catch {
    return null;
  }
}
