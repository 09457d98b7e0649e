/** The name of what was brought in where somebody typed it. */
export const TYPED_BY_HAND = 'Typed by hand';
