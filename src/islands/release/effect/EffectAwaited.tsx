/**
 * What changes for shoppers while it is worked out: as high as picture and sentences mostly are, so that what stands below does
 * not come up only to be pushed away.
 *
 * @param soFar places looked at; null: it has only begun
 */
export function EffectAwaited({ soFar }: { soFar: { done: number; all: number } | null }) {
  return (
    <div className="min-h-[40rem]">
      {soFar === null && <p className="py-2 text-soft">What changes for shoppers is being worked out.</p>}
      {soFar !== null && (
        <p role="status" className="flex items-center gap-x-2 py-2 text-soft">
          What changes for shoppers is being worked out: {soFar.done} of {soFar.all} places
          <progress className="progress w-40" value={soFar.done} max={soFar.all} aria-label="Places looked at" />
        </p>
      )}
    </div>
  );
}
