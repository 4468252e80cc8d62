import { useState } from 'react';

/** A text file to be read. One that is too large is refused with the reason, and nothing is read; choosing none forgets the last. */
export function ReadFile({
  label,
  accept,
  what,
  mostMegabytes,
  read,
  testId,
}: {
  label: string;
  accept: string;
  what: string;
  mostMegabytes: number;
  read: (text: string | null) => void;
  testId: string;
}) {
  const [refused, setRefused] = useState(false);
  const choose = async (file: File | undefined) => {
    read(null);
    setRefused(file !== undefined && file.size > mostMegabytes * 1_000_000);
    if (file && file.size <= mostMegabytes * 1_000_000) read(await file.text());
  };
  return (
    <>
      <label className="inline-flex min-w-0 flex-wrap items-baseline gap-2">
        {label}{' '}
        <input
          type="file"
          className="file-input file-input-xs w-56 max-w-full"
          accept={accept}
          onChange={(event) => void choose(event.target.files?.[0])}
          data-testid={testId}
        />
      </label>
      {refused && (
        <span role="alert" className="text-error">
          {what} has at most {mostMegabytes} MB. Nothing was read.
        </span>
      )}
    </>
  );
}
