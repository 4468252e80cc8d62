import type { CompiledPolicy, CompiledZone } from '../evaluation/compile.ts';

/** All zones of a policy, market by market. */
export const zonesOf = ({ markets }: CompiledPolicy): CompiledZone[] =>
  [...markets.values()].flatMap(({ zones }) => zones);
