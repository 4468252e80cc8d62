import { X } from 'lucide-react';
import { focusSoon } from './focus-soon.ts';

/** Takes a small thing out of the list it stands in. The focus goes to what stands there then. */
export function Remove({ what, remove }: { what: string; remove: () => void }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs min-w-6 px-1 text-soft"
      aria-label={`Remove ${what}`}
      onClick={({ currentTarget }) => {
        const row = currentTarget.closest('li, tr, p, div');
        const around = row?.parentElement;
        const beside = row?.nextElementSibling ?? row?.previousElementSibling ?? null;
        remove();
        focusSoon(() => {
          if (document.activeElement && document.activeElement !== document.body) return null;
          const left = [beside, around].find((one) => one?.isConnected);
          return left?.querySelector<HTMLElement>('button, input, select, a[href]');
        }, 5);
      }}
    >
      <X size={13} aria-hidden />
    </button>
  );
}
