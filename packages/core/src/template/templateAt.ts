import type { Edge, Template } from './Template';

/** A template turned and moved as one: its outside about a place, its longer half along `turnRad`. */
export function templateAt(
  template: Template,
  { xMm, yMm, turnRad }: { readonly xMm: number; readonly yMm: number; readonly turnRad: number },
): Template {
  const { outside, throat, holes } = template;
  const byRad = turnRad - outside.angleRad;
  const [cos, sin] = [Math.cos(byRad), Math.sin(byRad)];
  const moved = <At extends { readonly xMm: number; readonly yMm: number }>(at: At): At => {
    const [dx, dy] = [at.xMm - outside.xMm, at.yMm - outside.yMm];
    return { ...at, xMm: xMm + dx * cos - dy * sin, yMm: yMm + dx * sin + dy * cos };
  };
  const turned = (edge: Edge): Edge => ({
    ...moved(edge),
    angleRad: edge.angleRad + byRad,
    ...(edge.corners ? { corners: edge.corners.map(moved) } : {}),
  });
  const wireRad = template.wireRad === null ? null : template.wireRad + byRad;
  return { ...template, outside: turned(outside), throat: turned(throat), holes: holes.map(moved), wireRad };
}
