/**
 * How a language speaks of delivery prices, as shops write it (values from memory). Each is looked for in lower case; those
 * before an amount count the nearer they stand to it.
 */
export interface LanguageWords {
  /** what tells that a sentence is about delivery */
  delivery: RegExp;
  /** that it costs nothing, beyond the words that `saysFree` knows */
  free: RegExp;
  /** what is spoken of instead: goods sent back, discounts, gift cards */
  elsewhere: RegExp;
  /** before an amount from which something holds */
  from: RegExp;
  /** right after such an amount */
  orMore: RegExp;
  /** before an amount up to which something holds */
  below: RegExp;
  /** right after such an amount */
  orLess: RegExp;
  /** before what is charged */
  costs: RegExp;
  /** before what was charged once */
  instead: RegExp;
  /** before what is charged to everybody else */
  otherwise: RegExp;
  /** between two amounts of a range */
  to: RegExp;
  /** that an amount is for each kilogram */
  perKilo: RegExp;
  /** before a day until which something holds; in some languages after it */
  until: RegExp;
  untilAfter?: RegExp;
}
