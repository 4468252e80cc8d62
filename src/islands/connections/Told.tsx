import { CopyButton } from '../../ui/CopyButton.tsx';

/** What is told once: whoever leaves without it makes another. */
export function Told({ what, text, close }: { what: string; text: string; close: () => void }) {
  const id = `told-${what.replaceAll(' ', '-')}`;
  return (
    <div role="status" className="my-2 max-w-[52rem] border-l-2 border-secondary pl-3" data-testid="told">
      <p>{what}, shown this once: Summant keeps no copy that could be read.</p>
      <p className="flex flex-wrap items-baseline gap-x-3 py-1">
        <code id={id} className="break-all">
          {text}
        </code>
        <CopyButton text={text} what={what} textId={id} />
        <button type="button" className="btn btn-xs" onClick={close}>
          I have it
        </button>
      </p>
    </div>
  );
}
