import { CopyButton } from '../../ui/CopyButton.tsx';
import { useMoments } from '../page/use-moments.ts';

/** A link that is told once, to be handed on to whom it is for. */
export function LinkTold({
  what,
  address,
  until,
  close,
}: {
  what: string;
  address: string;
  until: string;
  close: () => void;
}) {
  const write = useMoments();
  return (
    <div role="status" className="my-2 max-w-[52rem] border-l-2 border-secondary pl-3" data-testid="link-told">
      <p>{`${what}, shown this once. It is good once, until ${write(until)}: hand it over in a way that nobody else reads.`}</p>
      <p className="flex flex-wrap items-baseline gap-x-3 py-1">
        <code id="told-link" className="break-all">
          {address}
        </code>
        <CopyButton text={address} what="The link" textId="told-link" />
        <button type="button" className="btn btn-xs" onClick={close}>
          I have it
        </button>
      </p>
    </div>
  );
}
