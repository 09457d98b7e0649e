/** A panel in one line: what holds it, and what nobody has looked at. */
import { COMES_OFF_LABELS, GRADE_LABELS, isOnlyHeard, type Panel, panelNotLooked } from '@low-quarry/core/model';

export function panelSummary(panel: Panel): string {
  const { fasteners, attached, comesOff, grade } = panel;
  const counted = fasteners?.reduce((sum, { count }) => sum + (count ?? 0), 0) ?? 0;
  const uncounted = fasteners?.filter(({ count }) => count === null).length ?? 0;
  const held =
    fasteners === null
      ? []
      : fasteners.length === 0
        ? ['Nothing holds it']
        : [
            `${counted} fasteners counted${uncounted > 0 ? `, ${uncounted} ${uncounted === 1 ? 'kind' : 'kinds'} not counted` : ''}`,
          ];
  const hangs =
    attached === null
      ? []
      : [
          `${attached.length || 'Nothing'} ${attached.length > 1 ? 'things hang' : attached.length === 1 ? 'thing hangs' : 'hangs'} on it`,
        ];
  const known = [...held, ...hangs, ...(comesOff ? [COMES_OFF_LABELS[comesOff]] : [])];
  const [first = '', ...rest] = known;
  const left = panelNotLooked(panel);
  const from = isOnlyHeard(grade) ? `${GRADE_LABELS[grade]}: look all the same.` : '';
  return [
    first === '' ? '' : `${[first, ...rest.map(uncapital)].join('; ')}.`,
    left.length > 0 ? `Not looked: ${left.join(', ')}.` : '',
    from,
  ]
    .filter(Boolean)
    .join(' ');
}

function uncapital(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}
