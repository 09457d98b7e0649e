/** What of deadening has to be at hand: in sheets where somebody said how large they are sold, else as an area. */
import { materialWords, type Quieted, quietedM2 } from './quieted';
import { quietedSheets } from './quietedSheets';
import type { SmallNeed } from './smallNeeds';

/** So much is cut away round drains and edges (common practice, no source). */
const OFFCUTS = 1.1;

export function quietNeeds(quieted: readonly Quieted[]): readonly SmallNeed[] {
  if (quieted.length === 0) return [];
  const inSheets = quietedSheets(quieted);
  const laid = new Set(inSheets.flatMap(({ surfaces }) => surfaces.map(({ name }) => name)));
  const names = quieted.map(({ name }) => name).join('; ');
  return [
    ...inSheets.map(({ material, thicknessMm, sheet, surfaces, packed: { sheets, atLeast } }): SmallNeed => {
      const count = surfaces.reduce((sum, { pieces }) => sum + pieces.length, 0);
      const bound = sheets === atLeast ? 'no way needs fewer' : `no way needs fewer than ${atLeast}`;
      return {
        what: `Deadening, ${materialWords({ material, thicknessMm })}, sheets of ${sheet.lengthMm} × ${sheet.widthMm} mm`,
        why: `${surfaces.map(({ name }) => name).join('; ')}: ${count} ${count === 1 ? 'piece' : 'pieces'} out of them; ${bound}.`,
        pieces: sheets,
        good: { kind: 'deadeningSheet', types: [material] },
      };
    }),
    ...asAreas(quieted.filter(({ name }) => !laid.has(name))),
    { what: 'Degreaser and a roller', why: `${names}: the metal is clean and dry, and each sheet rolled down.` },
  ];
}

function asAreas(quieted: readonly Quieted[]): readonly SmallNeed[] {
  const kinds = [...new Set(quieted.map(materialWords))];
  return kinds.map((what) => {
    const own = quieted.filter((each) => materialWords(each) === what);
    const areas = own.map(quietedM2);
    const sum = areas.reduce<number>((all, area) => all + (area ?? 0), 0) * OFFCUTS;
    const unknown = areas.includes(null) ? ' More for what nobody measured.' : '';
    return {
      what: `Deadening, ${what}`,
      why: `${own.map(({ name }) => name).join('; ')}: ${sum.toFixed(2)} m² with a tenth for what is cut away; in sheets once somebody says how large they are.${unknown}`,
    };
  });
}
