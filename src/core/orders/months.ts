/** A month of a market's orders as it is named, before its orders are read. */
export interface OrderMonth {
  /** first day, ISO 8601 */
  month: string;
  orders: number;
  /** ids of delivery options that the packed orders name by position */
  options: string[];
  /** arms of experiments that they name by position; '' first */
  arms: string[];
  /** of the packed bytes: they never change under it */
  hash: string;
}
