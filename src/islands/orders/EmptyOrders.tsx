import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { ImportSection } from './import/ImportSection.tsx';

/** A store that sells nowhere yet takes a file of orders at once: its markets, and how they charge, are read from it. */
export function EmptyOrders() {
  const { markets, options } = usePolicy();
  const [made, ways] = [Object.keys(markets).length, Object.keys(options).length];
  return (
    <>
      {made === 0 ? (
        <EmptyStore
          title="Orders"
          file={
            <p className="mt-2">
              Or bring an export of your orders, with any columns: markets, delivery options with their prices and the
              goals for free delivery are read from it, and everything here is computed from it.
            </p>
          }
        />
      ) : (
        <div className="max-w-[46rem] px-6 pt-8 pb-4">
          <h1 className="text-head">Orders</h1>
          <p className="mt-2 text-lead" data-testid="made-from-file">
            The draft has {made === 1 ? 'a market' : `${made} markets`}
            {ways > 0 && ` with ${ways === 1 ? 'a delivery option' : `${ways} delivery options`}`} now. Import the
            orders to see them here.
          </p>
        </div>
      )}
      <div className="px-6 pb-8">
        <ImportSection open="orders" setOpen={() => undefined} changed={() => window.location.reload()} />
      </div>
    </>
  );
}
