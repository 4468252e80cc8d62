import type { MeasuredCart } from '../../../core/cart/measures.ts';
import { likeParcels, packedCart } from '../../../core/cart/packing/packed-cart.ts';
import type { PackedParcels } from '../../../core/cart/packing/packed.ts';
import type { CompiledPacking } from '../../../core/packing/rules.ts';
import { countInWords } from '../../../core/charges/count-in-words.ts';

/** So many unlike parcels are drawn. */
const mostDrawn = 8;
const [width, height] = [76, 54];
/** So many goods of a parcel are named beside it. */
const mostNamed = 3;

/** How the goods of a cart stand in parcels: each as full as it is heavy, its pieces the heaviest at the bottom. */
export function PackedPicture({ cart, packing }: { cart: MeasuredCart; packing: CompiledPacking | null }) {
  const { charged } = cart.measures;
  if (charged.items === 0) return <p className="text-small text-soft">Nothing in it is charged in the ordinary way.</p>;
  const packed = packing && packedCart(cart, packing, 'charged');
  const weight = packed?.weight ?? charged.weight;
  const like = packing ? likeParcels(cart, packing, 'charged') : [];
  return (
    <div data-testid="packed-picture">
      <p className="text-small">
        {countInWords('items', charged.items)} of {countInWords('weight', charged.weight)} in{' '}
        <strong>{countInWords('parcels', packed?.parcels ?? 1)}</strong>
        {weight !== charged.weight && <>, {countInWords('weight', weight)} with packaging</>}
        {charged.withoutWeight.length > 0 && (
          <span className="text-ember"> · without a weight: {charged.withoutWeight.join(', ')}</span>
        )}
      </p>
      <ul className="flex flex-wrap gap-x-4 gap-y-1">
        {like.slice(0, mostDrawn).map((parcels, index) => (
          <li key={index}>
            <Parcel parcels={parcels} cart={cart} most={packing?.mostGoods ?? Infinity} />
          </li>
        ))}
        {like.length > mostDrawn && (
          <li className="self-center text-small text-soft">and {like.length - mostDrawn} other kinds of parcels</li>
        )}
      </ul>
    </div>
  );
}

function Parcel({ parcels, cart, most }: { parcels: PackedParcels; cart: MeasuredCart; most: number }) {
  const { count, grams, packed, over, contents } = parcels;
  const full = Number.isFinite(most) && most > 0 ? Math.min(1, grams / most) : 1;
  const pieces = contents.map(([line, quantity]) => ({ ...cart.lines[line]!, quantity }));
  const inWords = pieces.map(({ product, quantity }) => `${quantity} × ${product.name}`).join(', ');
  const filled = full * (height - 2);
  const heights = pieces.map(({ product, quantity }) =>
    grams > 0 ? (filled * (product.weightGrams ?? 0) * quantity) / grams : 0,
  );
  let bottom = height - 1;
  return (
    <figure className="flex items-start gap-2">
      <svg width={width} height={height} role="img" aria-label={`${countInWords('parcels', count)}: ${inWords}`}>
        <title>{inWords}</title>
        {heights.map((tall, index) => {
          bottom -= tall;
          return (
            <rect
              key={index}
              x={1}
              y={bottom}
              width={width - 2}
              height={Math.max(0, tall)}
              className={over ? 'fill-ember' : 'fill-primary'}
              fillOpacity={0.2 + 0.12 * (index % 4)}
            />
          );
        })}
        <rect
          x={0.5}
          y={0.5}
          width={width - 1}
          height={height - 1}
          fill="none"
          className={over ? 'stroke-ember' : 'stroke-soft'}
        />
        {count > 1 && (
          <text x={width / 2} y={14} textAnchor="middle" className="fill-ink text-small">
            {count} ×
          </text>
        )}
      </svg>
      <figcaption className="max-w-52 text-fine">
        <span className={over ? 'text-ember' : ''}>
          {countInWords('weight', packed)}
          {over && <>, more than a parcel may weigh</>}
        </span>
        {pieces.slice(0, mostNamed).map(({ product, quantity }) => (
          <span key={product.id} className="block truncate text-soft">
            {quantity} × {product.name}
          </span>
        ))}
        {pieces.length > mostNamed && <span className="block text-soft">and {pieces.length - mostNamed} others</span>}
      </figcaption>
    </figure>
  );
}
