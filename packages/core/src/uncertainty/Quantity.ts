/**
 * A length computed from named dimensions, linear about its working point, with what each contributes.
 *
 * Terms are merged by name: a flange that raises the front and lowers the depth enters the spacer window twice with
 * opposite signs, and must cancel there instead of being counted as two independent uncertainties.
 */
import { combineUncertainty } from './combineUncertainty';
import { type Dimension, sharedDimension } from './Dimension';

export type NamedDimension = { readonly name: string; readonly dimension: Dimension };

export type QuantityTerm = NamedDimension & { readonly sensitivity: number };

export type Quantity = { readonly valueMm: number; readonly terms: readonly QuantityTerm[] };

/**
 * A quantity of known value and known sensitivities.
 *
 * @param valueMm the value at the working point, mm
 * @param terms what it depends on; terms of the same name are added up
 */
export function quantity(valueMm: number, terms: readonly QuantityTerm[]): Quantity {
  const merged: QuantityTerm[] = [];
  for (const term of terms) addTerm(merged, term);
  return { valueMm, terms: merged };
}

/** A handful of terms: looking through an array is quicker than a map. */
function addTerm(merged: QuantityTerm[], term: QuantityTerm): void {
  for (let at = 0; at < merged.length; at++) {
    const before = merged[at];
    if (before?.name === term.name) {
      merged[at] = { ...term, sensitivity: before.sensitivity + term.sensitivity };
      return;
    }
  }
  merged.push(term);
}

/**
 * constant + Σ factor · dimension.
 *
 * @param constantMm a figure without uncertainty, such as a required clearance, mm
 * @param parts each dimension with its factor
 */
export function linear(constantMm: number, parts: readonly (readonly [NamedDimension, number])[]): Quantity {
  const terms: QuantityTerm[] = [];
  let valueMm = constantMm;
  for (const [{ name, dimension }, sensitivity] of parts) {
    valueMm += sensitivity * dimension.valueMm;
    addTerm(terms, { name, dimension, sensitivity });
  }
  return { valueMm, terms };
}

/** a + b; a dimension in both keeps its correlation with itself. */
export function sumOf(a: Quantity, b: Quantity): Quantity {
  return quantity(a.valueMm + b.valueMm, [...a.terms, ...b.terms]);
}

/** a · factor. */
export function scaled({ valueMm, terms }: Quantity, factor: number): Quantity {
  return {
    valueMm: valueMm * factor,
    terms: terms.map((term) => ({ ...term, sensitivity: term.sensitivity * factor })),
  };
}

/**
 * The terms of f(a, b, …) at its working point, from f's slopes with respect to quantities that have terms themselves
 * (the chain rule).
 */
export function chained(parts: readonly (readonly [Quantity, number])[]): readonly QuantityTerm[] {
  return parts.flatMap(([{ terms }, slope]) =>
    slope === 0 ? [] : terms.map((term) => ({ ...term, sensitivity: term.sensitivity * slope })),
  );
}

/** A dimension as a quantity, each error that it shares with other readings as a term of its own. */
export function named(name: string, dimension: Dimension): Quantity {
  const { valueMm, shared = [], origin } = dimension;
  const own = { name, dimension, sensitivity: 1 };
  const common = shared.map((error) => ({
    name: error.name,
    dimension: sharedDimension(error, origin),
    sensitivity: error.by,
  }));
  return { valueMm, terms: [own, ...common] };
}

/** Standard uncertainty in mm and effective degrees of freedom of a quantity. */
export function uncertaintyOf({ terms }: Quantity) {
  return combineUncertainty(
    terms.map(({ dimension, sensitivity }) => ({
      sensitivity,
      standardUncertainty: dimension.uncertaintyMm,
      degreesOfFreedom: dimension.degreesOfFreedom,
      isRectangular: dimension.isRectangular ?? false,
    })),
  );
}
