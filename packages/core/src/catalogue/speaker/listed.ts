/** What a list may say of a speaker itself. */
export const LISTED_FIELDS = [
  'basket',
  'flange',
  'flangeThicknessMm',
  'mountingDepthMm',
  'depthDatum',
  'frontHeightMm',
  'magnetDiameterMm',
  'massG',
  'bolts',
  'terminals',
  'impedanceOhm',
  'rmsW',
  'otherRating',
  'sensitivityDb',
  'sensitivityAt',
] as const;
