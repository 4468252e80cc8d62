/**
 * Past orders of one market and currency as columns: many orders in little room, quick to look through. Amounts in minor
 * units, −1 where it is not known.
 */
export interface OrderColumns {
  count: number;
  goods: Float64Array;
  /** delivery charged */
  delivery: Float64Array;
  /** days since 1970-01-01 on the store's clock */
  day: Uint16Array;
  /** position in `options` */
  option: Uint8Array;
  /** 0 not known, 1 new, 2 returning */
  shopper: Uint8Array;
  /** pieces; 0 not known, `mostItems` so many or more */
  items: Uint16Array;
  /** position in `arms`; 0 none */
  arm: Uint8Array;
  /** ids of delivery options, or what the export called them; '' for none */
  options: string[];
  /** arms of experiments as orders name them; '' first, for none */
  arms: string[];
}

export const shopperNew = 1;
export const shopperReturning = 2;
export const mostItems = 0xffff;
const unknown32 = 0xffffffff;
/** More different options than this share the last place. */
const mostOptions = 255;
/** Of more arms than that the orders count as those of none. */
const mostArms = 255;

export function emptyColumns(count: number, options: string[] = [], arms: string[] = ['']): OrderColumns {
  return {
    count,
    goods: new Float64Array(count),
    delivery: new Float64Array(count),
    day: new Uint16Array(count),
    option: new Uint8Array(count),
    shopper: new Uint8Array(count),
    items: new Uint16Array(count),
    arm: new Uint8Array(count),
    options,
    arms,
  };
}

/** The position of an option in a list, which grows by it. */
export function optionIndex(options: string[], known: Map<string, number>, option: string): number {
  let index = known.get(option);
  if (index === undefined) {
    if (options.length < mostOptions) options.push(option);
    index = options.length - 1;
    known.set(option, index);
  }
  return index;
}

/** The position of an arm in a list, which grows by it. */
export function armIndex(arms: string[], arm: string): number {
  const index = arms.indexOf(arm);
  if (index >= 0) return index;
  return arms.length < mostArms ? arms.push(arm) - 1 : 0;
}

/**
 * Columns as bytes, little-endian as all platforms that run this are: count and flags as 32-bit numbers; goods and delivery, each in 32 bits when all of its
 * amounts fit and else in doubles; then days and items in 16 bits, options, shoppers and arms in 8.
 */
export function packColumns(columns: OrderColumns): Uint8Array {
  const { count, goods, delivery, day, option, shopper, items, arm } = columns;
  const wideGoods = !fits(goods);
  const wideDelivery = !fits(delivery);
  const bytes = new Uint8Array(8 + count * ((wideGoods ? 8 : 4) + (wideDelivery ? 8 : 4) + 7));
  const view = new DataView(bytes.buffer);
  view.setUint32(0, count, true);
  view.setUint32(4, (wideGoods ? 1 : 0) | (wideDelivery ? 2 : 0), true);
  let at = 8;
  for (const [values, wide] of [
    [goods, wideGoods],
    [delivery, wideDelivery],
  ] as const) {
    for (let i = 0; i < count; i++, at += wide ? 8 : 4) {
      if (wide) view.setFloat64(at, values[i]!, true);
      else view.setUint32(at, values[i]! < 0 ? unknown32 : values[i]!, true);
    }
  }
  for (const values of [day, items]) for (let i = 0; i < count; i++, at += 2) view.setUint16(at, values[i]!, true);
  for (const [place, values] of [option, shopper, arm].entries())
    bytes.set(values.subarray(0, count), at + place * count);
  return bytes;
}

function fits(values: Float64Array): boolean {
  for (const value of values) if (value >= unknown32) return false;
  return true;
}

/** One month as it travels. */
export interface PackedMonth {
  bytes: Uint8Array;
  options: readonly string[];
  arms: readonly string[];
}

/** Months put one behind the other. @throws RangeError for bytes that `packColumns` did not write */
export function unpackMonths(months: readonly PackedMonth[]): OrderColumns {
  const heads = months.map(({ bytes }) => {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const count = view.getUint32(0, true);
    const flags = view.getUint32(4, true);
    if (bytes.byteLength !== 8 + count * ((flags & 1 ? 8 : 4) + (flags & 2 ? 8 : 4) + 7))
      throw new RangeError('packed orders are cut off');
    return { count, flags };
  });
  const columns = emptyColumns(heads.reduce((sum, { count }) => sum + count, 0));
  const known = new Map<string, number>();
  let start = 0;
  for (const [m, { count, flags }] of heads.entries()) {
    const place = months[m]!.options.map((option) => optionIndex(columns.options, known, option));
    const placeOfArm = months[m]!.arms.map((arm) => armIndex(columns.arms, arm));
    // Copied, so that numbers stand where their kind may stand; some kinds of bytes would only be looked at by slice.
    const own = new Uint8Array(months[m]!.bytes.subarray(8)).buffer;
    let at = 0;
    const amounts = (wide: number) => {
      const values = wide
        ? new Float64Array(own.slice(at, at + count * 8))
        : new Uint32Array(own.slice(at, at + count * 4));
      at += count * (wide ? 8 : 4);
      return values;
    };
    columns.goods.set(amounts(flags & 1), start);
    const charged = amounts(flags & 2);
    columns.delivery.set(charged, start);
    if ((flags & 2) === 0)
      for (let i = 0; i < count; i++) if (charged[i] === unknown32) columns.delivery[start + i] = -1;
    for (const values of [columns.day, columns.items]) {
      values.set(new Uint16Array(own.slice(at, at + count * 2)), start);
      at += count * 2;
    }
    const listed = new Uint8Array(own, at, count);
    for (let i = 0; i < count; i++) columns.option[start + i] = place[listed[i]!]!;
    columns.shopper.set(new Uint8Array(own, at + count, count), start);
    // Most months have no arms at all.
    if (placeOfArm.length > 1) {
      const arms = new Uint8Array(own, at + 2 * count, count);
      for (let i = 0; i < count; i++) columns.arm[start + i] = placeOfArm[arms[i]!]!;
    }
    start += count;
  }
  return columns;
}
