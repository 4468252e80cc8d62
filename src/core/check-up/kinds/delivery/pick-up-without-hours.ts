import type { FindingKind } from '../../kind.ts';

/** An option that is collected at no place, or at one whose opening hours nobody has said: its estimate is not bound by any. */
export const pickUpWithoutHours: FindingKind = {
  kind: 'pickUpWithoutHours',
  called: 'pick-up without place or hours',
  stop: 'delivery',
  find: ({ compiled: { policy, markets } }) =>
    [...markets.values()].flatMap(({ id: marketId, zones }) =>
      zones.flatMap(({ options }) =>
        options.flatMap(({ id, option, kind }) => {
          if (!kind.isCollected) return [];
          const place = option.place === undefined ? undefined : policy.places?.[option.place];
          if (place?.hours && Object.values(place.hours).some((spans) => spans.length > 0)) return [];
          const sentence = place
            ? `“${place.name}” has no opening hours, so “${option.name}” may be promised for a day on which it is closed.`
            : `“${option.name}” names no place, so shoppers are not told where and when to collect.`;
          return [
            {
              severity: 'remark',
              at: place ? `/places/${option.place}` : `/options/${id}`,
              key: id,
              marketId,
              sentence,
              example: null,
              remedy: null,
            },
          ];
        }),
      ),
    ),
};
