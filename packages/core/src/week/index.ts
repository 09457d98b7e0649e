/**
 * The week of the bay. A car is **booked** on a **lift** from a moment on, for so many minutes of work; what a day does not hold goes on when the
 * shop opens next, which makes its **spans**. What does not go together (a lift or a person twice, hours when nobody is there, parts that come
 * later, a day that was promised) is a **clash**, said in words.
 */
export {
  type CarOfWeek,
  CLASH_KINDS,
  type Clash,
  type ClashKind,
  clashesOf,
  type Need,
  type WeekRules,
} from './clashes';
export { arrivalDay, dayAfter, isOpenOn, type Span, spansOf, weekdayOf, weekOf } from './days';
export { firstFree } from './firstFree';
