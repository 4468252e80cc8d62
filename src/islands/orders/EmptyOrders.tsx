import { EmptyStore } from '../frame/EmptyStore.tsx';
import { ImportSection } from './import/ImportSection.tsx';

/** A store that sells nowhere yet takes a file of orders at once: markets are proposed from it. */
export function EmptyOrders() {
  return (
    <>
      <EmptyStore
        title="Orders"
        file={
          <p className="mt-2">
            Or bring an export of your orders, with any columns: markets are proposed from its countries and currencies,
            and everything here is computed from it.
          </p>
        }
      />
      <div className="px-6 pb-8">
        <ImportSection open="orders" setOpen={() => undefined} changed={() => window.location.reload()} />
      </div>
    </>
  );
}
