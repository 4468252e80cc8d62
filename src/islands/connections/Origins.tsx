import { AddWord } from '../../ui/AddWord.tsx';
import { Remove } from '../../ui/Remove.tsx';

/** An address as a browser names where a page is from; what stands behind the host is left off. */
function originOf(text: string): string | null {
  try {
    const { origin, protocol } = new URL(text.trim());
    return /^https?:$/.test(protocol) ? origin : null;
  } catch {
    return null;
  }
}

/** Where the pages are from that may use a key. */
export function Origins({
  of = '',
  origins,
  change,
}: {
  /** the key that they are of */
  of?: string;
  origins: readonly string[];
  change: (origins: string[]) => void;
}) {
  return (
    <>
      {origins.map((origin) => (
        <span key={origin} className="mr-2">
          {origin}
          <Remove what={`origin ${origin}`} remove={() => change(origins.filter((other) => other !== origin))} />
        </span>
      ))}
      <AddWord
        label={of === '' ? 'Origin of the pages' : `Origin of the pages that use ${of}`}
        placeholder="https://shop.example.com"
        accept={(text) => {
          const origin = originOf(text);
          return origin !== null && !origins.includes(origin);
        }}
        reason="An address that begins with https://, and is not there yet."
        add={(text) => change([...origins, originOf(text)!])}
      />
    </>
  );
}
