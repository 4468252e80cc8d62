import { orderAfterLast } from '../../core/ordered.ts';
import type { Surface, SurfaceKind } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { setAt } from './set-at.ts';

/** A surface put at the end of the list; it speaks for every market until something is chosen. */
export const addSurface =
  (id: string, kind: SurfaceKind, name: string): Edit =>
  (policy) => {
    const surface: Surface = { order: orderAfterLast(policy.surfaces ?? {}), name, kind, markets: {}, languages: [] };
    return setAt(['surfaces', id], surface)(policy);
  };

/** Takes a surface out; the last one with the list. */
export const removeSurface =
  (id: string): Edit =>
  (policy) => {
    const last = Object.keys(policy.surfaces ?? {}).every((other) => other === id);
    return setAt(last ? ['surfaces'] : ['surfaces', id], undefined)(policy);
  };

/** A market that a surface speaks for, or not any more. Of its languages those are left that its markets have. */
export const toggleSurfaceMarket =
  (id: string, market: string): Edit =>
  (policy) => {
    const surface = policy.surfaces?.[id];
    if (!surface) return [];
    const { [market]: was, ...others } = surface.markets;
    const markets = was ? others : { ...others, [market]: true as const };
    const spoken = Object.keys(markets).flatMap((one) => policy.markets[one]?.languages ?? []);
    const languages =
      spoken.length === 0 ? surface.languages : surface.languages.filter((language) => spoken.includes(language));
    return setAt(['surfaces', id], { ...surface, markets, languages })(policy);
  };
